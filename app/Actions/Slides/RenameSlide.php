<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Actions\Script\SaveScript;
use App\Models\Lesson;
use App\Models\Slide;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;

/** Gives a slide another name, in the deck and in every cue that calls it. */
final class RenameSlide
{
    public function __construct(private readonly SaveScript $save)
    {
    }

    /** @throws OperationRejected when another slide has that name */
    public function __invoke(Slide $slide, string $name): Slide
    {
        DB::transaction(function () use ($slide, $name): void {
            $lesson = Lesson::query()->findOrFail($slide->lesson_id);
            $deck = $lesson->slides()->get();
            if (
                $deck->contains(fn (Slide $s): bool => $s->id !== $slide->id && mb_strtolower($s->name) === mb_strtolower($name))
            ) {
                throw OperationRejected::conflict("Another slide is called \"{$name}\" already.");
            }
            $script = Script::parse($lesson->script);
            $shown = ShownSlides::of($script, array_values($deck->pluck('name')->all()));
            $index = $deck->search(fn (Slide $s): bool => $s->id === $slide->id);
            $text = $lesson->script;
            foreach (array_reverse($script->sections) as $section) {
                foreach (array_reverse($section->cues) as $cue) {
                    if ($cue->kind === CueKind::Slide && $cue->value !== '' && $shown->at($cue) === $index) {
                        $text = substr_replace($text, Cue::write(CueKind::Slide, $name), $cue->from, $cue->until - $cue->from);
                    }
                }
            }
            $slide->update(['name' => $name]);
            ($this->save)($lesson, Script::parse($text));
        });

        return $slide;
    }
}
