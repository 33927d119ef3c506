<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Actions\Slides\LinkSlides;
use App\Actions\Takes\ReassignTakes;
use App\Events\CardsChanged;
use App\Events\LessonChanged;
use App\Models\Lesson;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Script\ChangedSection;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SectionIdentity;
use OpenReel\Core\Script\SectionMatch;

/**
 * Makes a text the lesson's script. Sections and lines that were there before keep their identity, and with it their
 * takes; what is gone from the text is set aside and comes back when its words do.
 */
final class SaveScript
{
    /** Longer than a lesson can be: ten hours of speech. */
    public const LONGEST = 500_000;

    /** Rows sent to the database at once. */
    private const BATCH = 100;

    public function __construct(
        private readonly SyncLines $keepLines,
        private readonly ReassignTakes $hangTakes,
        private readonly LinkSlides $linkSlides,
    ) {
    }

    /**
     * @param  int|null  $base  the revision the text was made from; null when it was made from the latest just now
     * @param  array<int, string>  $known  ids of sections by their index in the text, where they are known for certain
     *
     * @throws OperationRejected with the script as it is now, when it was changed by someone else meanwhile
     */
    public function __invoke(Lesson $lesson, Script $script, ?int $base = null, array $known = []): Lesson
    {
        $text = $script->write();
        if (mb_strlen($text) > self::LONGEST) {
            throw OperationRejected::badInput('A script has at most 500,000 characters. Make a second lesson of the rest.');
        }
        if (count($script->sections) > Script::MOST_SECTIONS) {
            throw OperationRejected::badInput('A script has at most 1,000 sections. Make a second lesson of the rest.');
        }
        $changed = DB::transaction(function () use ($lesson, $script, $text, $base, $known): bool {
            $lesson->refresh();
            if ($lesson->script === $text) {
                return false;
            }
            if ($base !== null && $base !== $lesson->revision) {
                throw OperationRejected::conflict(
                    'The script was changed in another window meanwhile. Both versions are kept; choose one.',
                    ['text' => $lesson->script, 'revision' => $lesson->revision],
                );
            }
            $this->write($lesson, $script, $known);
            $lesson->fill(['script' => $text, 'revision' => $lesson->revision + 1]);
            if ($script->title !== null) {
                $lesson->title = mb_substr($script->title, 0, 200);
            }
            $lesson->save();

            return true;
        });
        if ($changed && self::isDrawn($text)) {
            CardsChanged::dispatch($lesson->id);
        }
        if (
            $changed &&
            DB::table('takes')
                ->whereIn('section_id', $lesson->sections()->select('id'))
                ->where('verdict', 'kept')
                ->exists()
        ) {
            LessonChanged::dispatch($lesson->id);
        }

        return $lesson;
    }

    /** Whether something in it is shown as a picture of ours: a card, a page of the board, key caps. */
    private static function isDrawn(string $text): bool
    {
        return preg_match('/\[(card|board|keys)\b/i', $text) === 1;
    }

    /** @param  array<int, string>  $known */
    private function write(Lesson $lesson, Script $script, array $known): void
    {
        $lines = $this->keepLines->match($lesson, $script);
        $rows = DB::table('sections')
            ->where('lesson_id', $lesson->id)
            ->orderByRaw('deleted_at is not null, case when deleted_at is null then position end, deleted_at desc')
            ->get()
            ->keyBy('id');
        $ids = SectionMatch::ids(
            array_values(
                $rows->map(fn (object $r): SectionIdentity => new SectionIdentity($r->id, $r->heading, $r->deleted_at !== null))->all(),
            ),
            $lines->sectionOf,
            array_map(
                fn (ScriptSection $s, int $i): ChangedSection => new ChangedSection($s->heading, $lines->known[$i]),
                $script->sections,
                array_keys($script->sections),
            ),
        );
        // What is known for certain goes before what was found.
        $ids = array_map(fn (?string $id): ?string => in_array($id, $known, true) ? null : $id, $ids);
        $ids = array_values(array_replace($ids, array_intersect_key($known, $ids)));
        $ids = $this->writeSections($lesson, $script, $ids, $rows->all());
        $this->keepLines->write($lesson, $lines, $ids);
        ($this->hangTakes)($lesson);
        ($this->linkSlides)($lesson, $script);
    }

    /**
     * @param  list<string|null>  $ids
     * @param  array<string, \stdClass>  $rows
     * @return list<string>
     */
    private function writeSections(Lesson $lesson, Script $script, array $ids, array $rows): array
    {
        $new = [];
        foreach ($script->sections as $index => $section) {
            $values = [
                'position' => $index + 1,
                'heading' => mb_substr($section->heading, 0, 200),
                'script' => $section->text(),
                'deleted_at' => null,
            ];
            $row = $rows[$ids[$index] ?? ''] ?? null;
            if ($row === null) {
                $ids[$index] = strtolower((string) Str::ulid());
                $new[] = $values + [
                    'id' => $ids[$index],
                    'lesson_id' => $lesson->id,
                    'created_at' => now(),
                    'updated_at' => now(),
                ];
            } elseif (array_diff_assoc($values, array_intersect_key((array) $row, $values)) !== []) {
                DB::table('sections')
                    ->where('id', $row->id)
                    ->update($values + ['updated_at' => now()]);
            }
        }
        foreach (array_chunk($new, self::BATCH) as $batch) {
            DB::table('sections')->insert($batch);
        }
        $gone = array_diff(array_keys(array_filter($rows, fn (\stdClass $r): bool => $r->deleted_at === null)), $ids);
        foreach (array_chunk($gone, self::BATCH) as $batch) {
            DB::table('sections')
                ->whereIn('id', $batch)
                ->update(['deleted_at' => now()]);
        }

        return array_values(array_filter($ids));
    }
}
