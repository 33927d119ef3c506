<?php

declare(strict_types=1);

namespace App\Queries\Lessons;

use App\People\Memberships;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\SearchWords;

/** Finds words in the titles, headings, lines and slides of all lessons on the shelf. */
final class SearchLessons
{
    private const MOST = 60;

    /** Characters that stand before and behind what was found; no text holds them. */
    private const BEFORE = "\x01";

    private const BEHIND = "\x02";

    /** Words of a long text that are shown. */
    private const SHOWN = 24;

    /**
     * In lessons that whoever asks may see.
     *
     * @return list<array<string, mixed>> the best first: `kind`, lesson, section and line it is in, `parts` of the text
     */
    public function find(string $text): array
    {
        $query = SearchWords::query($text);
        if ($query === null) {
            return [];
        }
        $seen = Memberships::lessons(DB::table('lessons')->select('id'));
        $rows = DB::select(
            'SELECT s.kind, s.id, s.lesson_id, l.title, snippet(search, 0, ?, ?, ?, ?) AS shown, n.section_id, '
            .'COALESCE(n.section_id, own.id, first.id) AS section, '
            .'COALESCE(inside.heading, own.heading, first.heading) AS heading '
            .'FROM search JOIN searched s ON s.n = search.rowid '
            .'JOIN lessons l ON l.id = s.lesson_id AND l.deleted_at IS NULL '
            ."AND l.id IN ({$seen->toRawSql()}) "
            ."LEFT JOIN lines n ON s.kind = 'line' AND n.id = s.id "
            .'LEFT JOIN sections inside ON inside.id = n.section_id '
            ."LEFT JOIN sections own ON s.kind = 'heading' AND own.id = s.id "
            // A slide stands in the first section that begins with it.
            ."LEFT JOIN sections first ON s.kind = 'slide' AND first.id = (SELECT id FROM sections "
            .'WHERE slide_id = s.id AND deleted_at IS NULL ORDER BY position LIMIT 1) '
            .'WHERE search MATCH ? ORDER BY rank LIMIT ?',
            [self::BEFORE, self::BEHIND, '…', self::SHOWN, $query, self::MOST],
        );

        return array_values(array_map(fn (\stdClass $row): array => [
            'kind' => $row->kind,
            'lesson_id' => $row->lesson_id,
            'lesson' => $row->title,
            'section_id' => $row->section,
            'heading' => (string) $row->heading,
            'line_id' => $row->kind === 'line' ? $row->id : null,
            'parts' => self::parts($row->shown),
        ], $rows));
    }

    /** @return list<array{text: string, found: bool}> */
    private static function parts(string $shown): array
    {
        $parts = [];
        foreach (preg_split('/([\x01\x02])/', $shown, flags: PREG_SPLIT_DELIM_CAPTURE) ?: [] as $piece) {
            if ($piece === self::BEFORE || $piece === self::BEHIND) {
                $isFound = $piece === self::BEFORE;
            } elseif ($piece !== '') {
                $parts[] = ['text' => $piece, 'found' => $isFound ?? false];
            }
        }

        return $parts;
    }
}
