<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Script\LineIdentity;
use OpenReel\Core\Script\LineMatch;
use OpenReel\Core\Script\MatchedLine;
use OpenReel\Core\Script\MatchedLines;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SpeakingTime;

/** Gives the lines of a changed script the identities they had before. */
final class SyncLines
{
    /** Rows sent to the database at once. */
    private const BATCH = 200;

    public function match(Lesson $lesson, Script $script): MatchedLines
    {
        $now = [];
        foreach ($script->sections as $index => $section) {
            foreach ($section->lines as $line) {
                $now[] = new MatchedLine($index, $line);
            }
        }
        $rows = DB::table('lines')
            ->where('lines.lesson_id', $lesson->id)
            ->join('sections', 'sections.id', '=', 'lines.section_id')
            ->orderBy('sections.position')
            ->orderBy('lines.position')
            ->orderByDesc('lines.removed_at')
            ->get(['lines.id', 'lines.section_id', 'lines.text', 'lines.position']);
        $known = fn (bool $removed): array => array_values(
            $rows
                ->filter(fn (object $r): bool => ($r->position === null) === $removed)
                ->map(fn (object $r): LineIdentity => new LineIdentity($r->id, $r->section_id, $r->text))
                ->all(),
        );
        $ids = LineMatch::ids($known(false), $known(true), array_map(fn (MatchedLine $n): string => $n->line->text, $now));
        $sectionOf = $rows->pluck('section_id', 'id')->all();
        $bySection = array_fill(0, count($script->sections), []);
        foreach ($now as $i => $one) {
            if ($ids[$i] !== null) {
                $bySection[$one->section][] = $ids[$i];
            }
        }

        $matched = array_map(
            fn (MatchedLine $n, ?string $id): MatchedLine => new MatchedLine($n->section, $n->line, $id), $now, $ids,
        );

        return new MatchedLines($matched, $sectionOf, $bySection);
    }

    /** @param  list<string>  $sections  ids by index */
    public function write(Lesson $lesson, MatchedLines $lines, array $sections): void
    {
        $before = DB::table('lines')->where('lesson_id', $lesson->id)->get()->keyBy('id');
        $rows = $alive = [];
        foreach ($lines->lines as $one) {
            $line = $one->line;
            $id = $one->id ?? strtolower((string) Str::ulid());
            $alive[$id] = true;
            $row = [
                'id' => $id,
                'lesson_id' => $lesson->id,
                'section_id' => $sections[$one->section],
                'position' => $line->number,
                'paragraph' => $line->paragraph,
                'text' => $line->text,
                'removed_at' => null,
            ];
            $old = (array) ($before[$id] ?? []);
            if ($old === [] || array_diff_assoc($row, $old) !== []) {
                $isSame = ($old['text'] ?? null) === $line->text;
                $rows[] = $row + ['spoken_ms' => $isSame ? $old['spoken_ms'] : SpeakingTime::ofText($line->text)];
            }
        }
        foreach (array_chunk($rows, self::BATCH) as $batch) {
            DB::table('lines')->upsert($batch, ['id']);
        }
        $gone = $before->whereNotNull('position')->keys()->reject(fn (string $id): bool => isset($alive[$id]));
        foreach ($gone->chunk(self::BATCH) as $batch) {
            DB::table('lines')
                ->whereIn('id', $batch)
                ->update(['position' => null, 'removed_at' => now()->format('Y-m-d H:i:s.v')]);
        }
    }
}
