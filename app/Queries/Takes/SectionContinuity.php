<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Section;
use App\Models\Take;
use App\Queries\Lessons\LessonSnapshot;
use OpenReel\Core\Analysis\ContinuityBreak;
use OpenReel\Core\Analysis\TakeProfile;

/** Where takes that follow each other in the film do not go together, in one section and where one comes to it. */
final class SectionContinuity
{
    /**
     * In the order of the film.
     *
     * @return list<array{before: Take, take: Take, line: string|null, changes: non-empty-list<ContinuityBreak>}>
     */
    public static function of(Section $section): array
    {
        $meetings = self::meetings($section);
        $ids = array_merge(...array_map(fn (array $m): array => [$m[0], $m[1]], $meetings), ...[[]]);
        /** @var array<string, Take> $takes */
        $takes = Take::query()->whereIn('id', array_unique($ids))->get()->keyBy('id')->all();
        $found = [];
        foreach ($meetings as [$one, $other, $line]) {
            [$before, $take] = [$takes[$one] ?? null, $takes[$other] ?? null];
            if ($before === null || $take === null) {
                continue;
            }
            $changes = self::between(self::profile($before), self::profile($take));
            if ($changes !== []) {
                $found[] = ['before' => $before, 'take' => $take, 'line' => $line, 'changes' => $changes];
            }
        }

        return $found;
    }

    /** @return list<Take> the takes that are seen right before and right behind one in the film */
    public static function neighbours(Take $take): array
    {
        $order = [];
        $lesson = $take->lesson();
        $covered = LessonCoverage::of($lesson)->sections;
        foreach ($lesson->sections()->get() as $section) {
            foreach ($covered[$section->id]->parts ?? [] as $part) {
                if (end($order) !== $part->take) {
                    $order[] = $part->take;
                }
            }
        }
        $ids = [];
        foreach (array_keys($order, $take->id, true) as $at) {
            array_push($ids, ...array_filter([$order[$at - 1] ?? null, $order[$at + 1] ?? null]));
        }

        return array_values(array_filter(array_map(
            fn (string $id): ?Take => Take::query()->find($id), array_values(array_unique($ids)),
        )));
    }

    private static function profile(Take $take): ?TakeProfile
    {
        $found = TakeFindings::of($take)->analysis;

        return $found === null ? null : new TakeProfile($found->voice, $found->noise, $found->camera);
    }

    /** @return list<ContinuityBreak> none while one of them was not looked over */
    private static function between(?TakeProfile $one, ?TakeProfile $other): array
    {
        return $one === null || $other === null ? [] : ContinuityBreak::between($one, $other);
    }

    /** @return list<array{string, string, string|null}> ids of takes that follow each other, and of the line that comes behind */
    private static function meetings(Section $section): array
    {
        $lesson = $section->lesson()->withTrashed()->firstOrFail();
        $covered = LessonCoverage::of($lesson)->sections;
        $meetings = [];
        $last = null;
        foreach ($lesson->sections()->get() as $one) {
            // Behind a card one does not remember how it was before it.
            $last = LessonSnapshot::isCard($one->script) ? null : $last;
            foreach ($covered[$one->id]->parts ?? [] as $part) {
                if ($last !== null && $last !== $part->take && $one->id === $section->id) {
                    $meetings["{$last}/{$part->take}"] ??= [$last, $part->take, $part->lines[0] ?? null];
                }
                $last = $part->take;
            }
            if ($one->id === $section->id) {
                break;
            }
        }

        return array_values($meetings);
    }
}
