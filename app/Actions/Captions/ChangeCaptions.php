<?php

declare(strict_types=1);

namespace App\Actions\Captions;

use App\Models\CaptionRow;
use App\Models\Lesson;
use App\Models\Section;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\EditedCaption;
use OpenReel\Core\Captions\EditedCaptions;

/** What a person says of captions: that one is right, how it should read, where it begins. */
final class ChangeCaptions
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    /**
     * One is right, or right with this text.
     *
     * @param  string  $was  the words it stands for: refused when others stand there by now
     * @param  list<string>|null  $rows  null leaves the words as the script has them
     * @param  bool  $isChecked  false: somebody has to read it again
     * @return array{added: list<string>, removed: list<array<string, mixed>>} what takes this back, see `undo`
     *
     * @throws OperationRejected
     */
    public function set(Section $section, int $number, string $was, ?array $rows, bool $isChecked = true): array
    {
        $captions = $this->captions($section);

        return $this->keep($section, $captions, [$captions[self::found($captions, $number, $was)]->set($rows, $isChecked)]);
    }

    /**
     * Where one ends and the next begins, some words later or earlier.
     *
     * @return array{added: list<string>, removed: list<array<string, mixed>>}
     *
     * @throws OperationRejected
     */
    public function move(Section $section, int $number, string $was, int $by): array
    {
        $captions = $this->captions($section);
        $found = self::found($captions, $number, $was);
        $next = $captions[$found + 1] ?? throw OperationRejected::conflict('There is no caption behind this one in its section.');
        $set = $captions[$found]->endLater($next, $by) ?? throw OperationRejected::conflict('Nothing would be left of a caption.');

        return $this->keep($section, $captions, $set);
    }

    /**
     * All of a section are right.
     *
     * @param  list<string>  $was  the words of each, as they were read
     * @return array{added: list<string>, removed: list<array<string, mixed>>}
     *
     * @throws OperationRejected
     */
    public function check(Section $section, array $was): array
    {
        $captions = $this->captions($section);
        if (array_map(fn (Caption $c): string => $c->said(), $captions) !== $was) {
            throw self::changed();
        }
        $open = array_values(array_filter($captions, fn (Caption $c): bool => ! $c->isChecked));

        return $this->keep($section, $captions, array_map(fn (Caption $c): EditedCaption => $c->set($c->rows), $open));
    }

    /**
     * @param  list<string>  $added  ids
     * @param  list<array{id: string, line: string, word: int, was: string, rows: list<string>, checked: bool}>  $removed
     */
    public function undo(Lesson $lesson, array $added, array $removed): void
    {
        DB::transaction(function () use ($lesson, $added, $removed): void {
            CaptionRow::query()->where('lesson_id', $lesson->id)->whereIn('id', $added)->delete();
            foreach ($removed as $one) {
                if (CaptionRow::query()->whereKey($one['id'])->doesntExist()) {
                    // By the name it had, so that what was done before can be taken back as well.
                    self::store($lesson->id, new EditedCaption(
                        $one['line'], $one['word'], $one['was'], $one['rows'], $one['checked'], $one['id'],
                    ));
                }
            }
        });
    }

    /** @return list<Caption> */
    private function captions(Section $section): array
    {
        $all = ($this->assemble)($section->lesson)->captions();

        return array_values(array_filter($all, fn (Caption $c): bool => $c->section === $section->id));
    }

    /**
     * The one that is meant: others before it may be cut otherwise by now, because one was checked.
     *
     * @param  list<Caption>  $captions
     */
    private static function found(array $captions, int $number, string $was): int
    {
        $same = array_keys(array_filter($captions, fn (Caption $c): bool => $c->said() === $was));
        usort($same, fn (int $a, int $b): int => abs($a - $number) <=> abs($b - $number));

        return $same[0] ?? throw self::changed();
    }

    private static function changed(): OperationRejected
    {
        return OperationRejected::conflict('The captions of this section are others by now. Read them again.');
    }

    /**
     * @param  list<Caption>  $captions  of the section as they are
     * @param  list<EditedCaption>  $set
     * @return array{added: list<string>, removed: list<array<string, mixed>>}
     */
    private function keep(Section $section, array $captions, array $set): array
    {
        $words = array_merge(...array_map(fn (Caption $c): array => $c->words, $captions));

        return DB::transaction(function () use ($section, $words, $set): array {
            $kept = CaptionRow::of($section->lesson_id);
            $stretches = EditedCaptions::among($words, $set);
            $removed = [];
            foreach (EditedCaptions::among($words, $kept) as $at => $old) {
                foreach ($stretches as $from => $new) {
                    if ($at < $from + $new->count() && $from < $at + $old->count()) {
                        $removed[$old->id] = self::report($old);
                    }
                }
            }
            CaptionRow::query()->whereIn('id', array_keys($removed))->delete();
            $added = array_map(fn (EditedCaption $c): string => self::store($section->lesson_id, $c), $set);

            return ['added' => $added, 'removed' => array_values($removed)];
        });
    }

    private static function store(string $lesson, EditedCaption $caption): string
    {
        $row = new CaptionRow([
            'lesson_id' => $lesson, 'line_id' => $caption->line, 'word' => $caption->word, 'was' => $caption->was,
            'rows' => $caption->rows, 'checked' => $caption->isChecked,
        ]);
        if ($caption->id !== '') {
            $row->id = $caption->id;
        }
        $row->save();

        return $row->id;
    }

    /** @return array{id: string, line: string, word: int, was: string, rows: list<string>, checked: bool} */
    private static function report(EditedCaption $caption): array
    {
        return [
            'id' => $caption->id, 'line' => $caption->line, 'word' => $caption->word, 'was' => $caption->was,
            'rows' => $caption->rows, 'checked' => $caption->isChecked,
        ];
    }
}
