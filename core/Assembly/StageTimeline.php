<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\ScriptSection;

/** What is on the stage after each cue of a section: nothing when it begins, and nothing while the camera is alone. */
final readonly class StageTimeline
{
    /** @param  array<int, Stage|null>  $after  by number of the cue */
    private function __construct(private array $after)
    {
    }

    /** @param  callable(Cue): ?Stage  $meant  what a cue puts on the stage; null when there is no such thing, and nothing changes */
    public static function of(ScriptSection $section, callable $meant): self
    {
        $stage = null;
        $after = [];
        foreach (array_values($section->cues) as $number => $cue) {
            if ($cue->kind->isStage()) {
                $stage = $cue->kind === CueKind::CameraAlone ? null : $meant($cue) ?? $stage;
            } elseif ($cue->kind === CueKind::Step) {
                $stage = $stage?->built($cue->value === '' ? null : (int) $cue->value);
            }
            $after[$number] = $stage;
        }

        return new self($after);
    }

    /** @param  int  $cue  its number in the section, counted from 0 */
    public function after(int $cue): ?Stage
    {
        return $this->after[$cue] ?? null;
    }

    /** Whether a cue puts something else on the stage: what was drawn on, zoomed into or laid over is gone then. */
    public function changesAt(int $cue): bool
    {
        return $this->after($cue)?->surface() !== $this->after($cue - 1)?->surface();
    }
}
