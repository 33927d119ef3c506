<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * All that can be searched, kept by the database itself: whoever changes a line or a slide need not think of it. The words lie in
 * `searched`, and SQLite's full text search (FTS5) finds them there.
 */
return new class extends Migration
{
    /** By table: what it is, the words, and when they count. `row` stands for the row as it is now. */
    private const SOURCES = [
        'lessons' => ['lesson', 'row.title', 'row.deleted_at IS NULL', 'row.id'],
        'sections' => ['heading', 'row.heading', "row.deleted_at IS NULL AND row.heading <> ''", 'row.lesson_id'],
        'lines' => ['line', 'row.text', 'row.position IS NOT NULL', 'row.lesson_id'],
        'slides' => ['slide', "row.name || ' ' || row.text", 'row.deleted_at IS NULL', 'row.lesson_id'],
    ];

    public function up(): void
    {
        $make = [
            'CREATE TABLE searched (n INTEGER PRIMARY KEY, kind TEXT NOT NULL, id TEXT NOT NULL UNIQUE, lesson_id TEXT NOT NULL, '
                .'text TEXT NOT NULL)',
            "CREATE VIRTUAL TABLE search USING fts5(text, content='searched', content_rowid='n', "
                ."tokenize='unicode61 remove_diacritics 2', prefix='2 3')",
            'CREATE TRIGGER searched_come AFTER INSERT ON searched BEGIN '
                .'INSERT INTO search(rowid, text) VALUES (new.n, new.text); END',
            'CREATE TRIGGER searched_go AFTER DELETE ON searched BEGIN '
                ."INSERT INTO search(search, rowid, text) VALUES ('delete', old.n, old.text); END",
        ];
        foreach (self::SOURCES as $table => [$kind, $words, $counts, $lesson]) {
            $add = fn (string $row): string => "INSERT INTO searched(kind, id, lesson_id, text) SELECT '{$kind}', {$row}.id, "
                .str_replace('row.', "{$row}.", "{$lesson}, {$words}");
            $when = fn (string $row): string => str_replace('row.', "{$row}.", $counts);
            [$is, $was] = [str_replace('row.', 'new.', $words), str_replace('row.', 'old.', $words)];
            array_push(
                $make,
                "CREATE TRIGGER {$table}_come AFTER INSERT ON {$table} WHEN {$when('new')} BEGIN {$add('new')}; END",
                // A script is saved with each pause in typing: what says the same is not touched.
                "CREATE TRIGGER {$table}_change AFTER UPDATE ON {$table} WHEN ({$is}) IS NOT ({$was}) "
                    ."OR ({$when('new')}) <> ({$when('old')}) BEGIN DELETE FROM searched WHERE id = old.id; "
                    ."{$add('new')} WHERE {$when('new')}; END",
                "CREATE TRIGGER {$table}_go AFTER DELETE ON {$table} BEGIN DELETE FROM searched WHERE id = old.id; END",
                "{$add($table)} FROM {$table} WHERE {$when($table)}",
            );
        }
        array_map(DB::unprepared(...), $make);
    }

    public function down(): void
    {
        foreach (array_keys(self::SOURCES) as $table) {
            foreach (['come', 'change', 'go'] as $what) {
                DB::unprepared("DROP TRIGGER IF EXISTS {$table}_{$what}");
            }
        }
        DB::unprepared('DROP TABLE IF EXISTS search');
        DB::unprepared('DROP TABLE IF EXISTS searched');
    }
};
