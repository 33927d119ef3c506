<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;

/** Notes on every section the slide it begins with; to be done whenever the script or the deck changes. */
final class LinkSlides
{
    public function __invoke(Lesson $lesson, ?Script $script = null): void
    {
        $script ??= Script::parse($lesson->script);
        $slides = $lesson->slides()->get(['id', 'name', 'lesson_id']);
        $shown = ShownSlides::of($script, array_values($slides->pluck('name')->all()));
        $rows = DB::table('sections')
            ->where('lesson_id', $lesson->id)
            ->whereNull('deleted_at')
            ->orderBy('position')
            ->orderBy('id')
            ->get(['id', 'slide_id']);
        foreach ($script->sections as $index => $section) {
            $slide = $shown->opening($section);
            $id = $slide === null ? null : $slides[$slide]?->id;
            $row = $rows[$index] ?? null;
            if ($row !== null && $row->slide_id !== $id) {
                DB::table('sections')
                    ->where('id', $row->id)
                    ->update(['slide_id' => $id]);
            }
        }
    }

    /** The script with its slides called by name where it only says "the next": before the deck changes its order. */
    public static function named(Lesson $lesson): Script
    {
        $script = Script::parse($lesson->script);
        $slides = $lesson->slides()->get(['id', 'name', 'lesson_id']);
        $shown = ShownSlides::of($script, array_values($slides->pluck('name')->all()));
        $text = $lesson->script;
        foreach (array_reverse($script->sections) as $section) {
            foreach (array_reverse($section->cues) as $cue) {
                $index = $cue->kind === CueKind::Slide && $cue->value === '' ? $shown->at($cue) : null;
                if ($index !== null && isset($slides[$index])) {
                    $text = substr_replace(
                        $text,
                        Cue::write(CueKind::Slide, $slides[$index]->name),
                        $cue->from,
                        $cue->until - $cue->from,
                    );
                }
            }
        }

        return Script::parse($text);
    }
}
