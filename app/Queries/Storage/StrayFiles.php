<?php

declare(strict_types=1);

namespace App\Queries\Storage;

use App\Media\MediaStore;
use App\Queries\Film\SidecarFile;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Archive\OwnFiles;

/** Files on the media disk that belong to nothing. There should be none. */
final class StrayFiles
{
    /** What may be made anew at any time, and has its own limits. */
    private const MADE_ANEW = ['renders', 'cards', 'stand-in', ...MediaStore::OWN];

    /** A file may be there a moment before what it belongs to is written down. */
    private const YOUNG_SECONDS = 3600;

    /** What a take has that no row names. */
    private const OF_TAKE = [...OwnFiles::OF_TAKE, 'poster.jpg'];

    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @return array<string, int> bytes by name on the media disk */
    public function all(): array
    {
        $owned = $this->owned();
        $stray = [];
        foreach ($this->media->filesIn('', self::MADE_ANEW) as $name => $file) {
            if (! isset($owned[$name]) && time() - $file->made >= self::YOUNG_SECONDS) {
                $stray[$name] = $file->bytes;
            }
        }
        ksort($stray);

        return $stray;
    }

    /** @return array<string, mixed> everything that a row names, as keys */
    private function owned(): array
    {
        $owned = [];
        $take = function (string $lesson, string $id) use (&$owned): void {
            foreach (self::OF_TAKE as $name) {
                $owned["lessons/{$lesson}/takes/{$id}/{$name}"] = true;
            }
        };
        $takes = DB::table('takes')->join('sections', 'sections.id', '=', 'takes.section_id')->get(['takes.id', 'lesson_id']);
        foreach ($takes as $row) {
            $take($row->lesson_id, $row->id);
        }
        foreach (DB::table('tracks')->get(['path', 'file_path']) as $row) {
            $owned += [(string) $row->path => true, (string) $row->file_path => true];
        }
        foreach (DB::table('cleared_takes')->get(['id', 'lesson_id', 'record']) as $row) {
            $take($row->lesson_id, $row->id);
            foreach (json_decode($row->record, true)['tracks'] as $track) {
                $owned += [(string) $track['path'] => true, (string) $track['file_path'] => true];
            }
        }
        foreach (DB::table('slides')->get(['path', 'steps', 'film']) as $row) {
            $more = [...json_decode($row->steps, true), ...array_filter([json_decode($row->film ?? 'null', true)])];
            $owned += [$row->path => true] + array_fill_keys(array_column($more, 'path'), true);
        }
        foreach (DB::table('exports')->get(['id', 'lesson_id', 'path']) as $row) {
            $owned[(string) $row->path] = true;
            foreach ([...array_keys(SidecarFile::kinds()), SidecarFile::LINES] as $kind) {
                $owned["lessons/{$row->lesson_id}/exports/{$row->id}-{$kind}"] = true;
            }
        }
        foreach (DB::table('decks')->pluck('report') as $report) {
            // What slides showed before they were replaced: it can be taken back.
            preg_match_all('#lessons/[0-9a-z]{26}/slides/[0-9a-z.-]+#', stripslashes($report), $before);
            $owned += array_fill_keys($before[0], true);
        }
        foreach (['decks', 'logos', 'music', 'archive_imports'] as $table) {
            $owned += array_fill_keys(DB::table($table)->pluck('path')->all(), true);
        }

        return $owned + array_fill_keys(DB::table('music')->pluck('loop_path')->all(), true);
    }
}
