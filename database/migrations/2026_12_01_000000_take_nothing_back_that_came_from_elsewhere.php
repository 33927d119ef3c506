<?php

declare(strict_types=1);

use App\Media\MediaStore;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/** A deck's report came in with archives and was believed. What could be done by it is taken away, what was done is told. */
return new class extends Migration
{
    /** What of a slide a report may put back. */
    private const DRAWN = ['deck_id', 'page', 'path', 'mime', 'hash', 'width', 'height', 'text', 'look', 'position'];

    public function up(): void
    {
        foreach (DB::table('decks')->where('report', '!=', '{}')->get(['id', 'lesson_id', 'report']) as $deck) {
            $before = (array) (json_decode($deck->report, true)['before'] ?? []);
            if (! $this->isOurs($before, $deck->lesson_id)) {
                Log::error("The report of deck {$deck->id} was not made here: it was emptied");
                DB::table('decks')->where('id', $deck->id)->update(['report' => '{}', 'purpose' => 'add']);
            }
        }
        foreach (DB::table('slides')->get(['id', 'lesson_id', 'path']) as $slide) {
            if (! MediaStore::isInFolder($slide->path, "lessons/{$slide->lesson_id}/slides")) {
                Log::error("Slide {$slide->id} names a file that is not its own; bin/reel doctor tells what to do");
            }
        }
    }

    public function down(): void
    {
    }

    /** @param  array<mixed>  $before  values by slide */
    private function isOurs(array $before, string $lesson): bool
    {
        $own = DB::table('slides')->where('lesson_id', $lesson)->whereIn('id', array_keys($before))->count();
        foreach ($before as $values) {
            $values = (array) $values;
            $isInside = ! isset($values['path'])
                || MediaStore::isInFolder((string) $values['path'], "lessons/{$lesson}/slides");
            if (array_diff_key($values, array_flip(self::DRAWN)) !== [] || ! $isInside) {
                return false;
            }
        }

        return $own === count($before);
    }
};
