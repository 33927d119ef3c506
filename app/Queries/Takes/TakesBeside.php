<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Track;
use Illuminate\Support\Collection;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** The takes that stand beside the words of sections, and how many there are in all. */
final readonly class TakesBeside
{
    /** A recorder sends every second; when nothing came for this long, it was cut off. */
    private const SILENT_SECONDS = 12;

    /** As many as the margin of the page shows. */
    private const BESIDE = 3;

    /** What is asked only of takes that may be heard: with thousands of takes, reading it takes long. */
    private const SPEECH = ['lines' => true, 'used' => true, 'spoken' => true, 'cut_points' => true, 'flawed' => true];

    /**
     * @param  array<string, list<array<string, mixed>>>  $rows  by section, lowest number first
     * @param  array<string, list<TakeView>>  $views  the same takes
     * @param  array<string, array{count: int, last: int}>  $numbers  by section: of all its takes, how many and the highest number
     */
    private function __construct(public array $rows, public array $views, private array $numbers)
    {
    }

    /** @param  list<string>  $sections  ids */
    public static function of(array $sections): self
    {
        $rows = $views = [];
        $index = TakeRows::index($sections);
        [$ids, $hasKept] = self::chosen($index);
        $cutOff = self::cutOff(array_column(
            array_filter($index, fn (\stdClass $t): bool => $t->state === TakeState::Recording->value), 'id',
        ));
        foreach (TakeRows::glances($ids) as $row) {
            $rows[$row['section_id']][] = $row;
            $isHeard = $row['verdict'] === Verdict::Kept->value || ! isset($hasKept[$row['section_id']]);
            $views[$row['section_id']][] = TakeViews::ofSummary(
                $isHeard ? $row : array_diff_key($row, self::SPEECH), isset($cutOff[$row['id']]),
            );
        }

        return new self($rows, $views, self::counted($index));
    }

    /**
     * All that are kept, and of the others that are not set aside the newest in each state: `BESIDE` with one that is kept.
     *
     * @param  list<\stdClass>  $index  as `TakeRows::index` gives it
     * @return array{list<string>, array<string, true>} ids of takes; of sections of which something is kept, as keys
     */
    private static function chosen(array $index): array
    {
        $hasKept = $ids = $places = [];
        foreach ($index as $take) {
            if ($take->verdict === Verdict::Kept->value) {
                $hasKept[$take->section_id] = true;
            }
        }
        foreach ($index as $take) {
            $place = $places[$take->section_id][$take->state] ?? (isset($hasKept[$take->section_id]) ? 1 : 0);
            if ($take->verdict === Verdict::Kept->value) {
                $ids[] = $take->id;
            } elseif ($take->verdict === Verdict::Undecided->value && $place < self::BESIDE) {
                $ids[] = $take->id;
                $places[$take->section_id][$take->state] = $place + 1;
            }
        }

        return [$ids, $hasKept];
    }

    /**
     * @param  list<\stdClass>  $index
     * @return array<string, array{count: int, last: int}>
     */
    private static function counted(array $index): array
    {
        $numbers = [];
        foreach ($index as $take) {
            $known = $numbers[$take->section_id] ?? ['count' => 0, 'last' => 0];
            $numbers[$take->section_id] = ['count' => $known['count'] + 1, 'last' => max($known['last'], (int) $take->number)];
        }

        return $numbers;
    }

    /**
     * What coverage asks for: where something is kept, what others say is asked by nobody.
     *
     * @return list<TakeView>
     */
    public function heard(): array
    {
        $isKept = fn (TakeView $take): bool => $take->verdict === Verdict::Kept;

        return array_merge([], ...array_values(array_map(function (array $takes) use ($isKept): array {
            $kept = array_values(array_filter($takes, $isKept));

            return $kept === [] ? $takes : $kept;
        }, $this->views)));
    }

    /** @return array{count: int, last: int} of all the section's takes, how many and the highest number, 0 without one */
    public function numbers(string $section): array
    {
        return $this->numbers[$section] ?? ['count' => 0, 'last' => 0];
    }

    /**
     * @param  list<string>  $recording  ids of takes that are being recorded
     * @return array<string, true> those of which nothing is heard any more, as keys
     */
    public static function cutOff(array $recording): array
    {
        $heard = $recording === []
            ? []
            : Track::query()->whereIn('take_id', $recording)->get()->groupBy('take_id')->map(
                fn (Collection $tracks) => $tracks->max('updated_at'),
            )->all();

        return array_map(fn (): true => true, array_filter(
            $heard, fn ($last): bool => $last->diffInSeconds(now()) > self::SILENT_SECONDS,
        ));
    }
}
