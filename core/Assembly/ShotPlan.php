<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Time\FrameRate;

/** Cuts a segment into shots, at the frames on which its cues fall. */
final readonly class ShotPlan
{
    public function __construct(private FrameSize $frame, private FrameRate $rate, private ?Logo $logo, private string $ground)
    {
    }

    /**
     * @param  PictureChoice  $choice  what is seen when the segment begins
     * @param  list<PictureChange>  $changes  in order
     * @return array{non-empty-list<Shot>, PictureChoice} the shots, and what is seen at the end
     */
    public function of(PictureChoice $choice, array $changes, TakeSource $take, int $frames): array
    {
        $cuts = [0 => $choice];
        foreach ($changes as $change) {
            $at = $take->at($change->line, $change->within);
            if ($at === null) {
                continue;
            }
            $frame = min($frames - 1, intdiv($at->minusOrZero($take->used->from)->count, $this->rate->ticksPerFrame()));
            // A cue never takes effect before the one it follows.
            $frame = max($frame, array_key_last($cuts));
            $cuts[$frame] = $choice = $change->then;
        }
        $shots = [];
        $starts = array_keys($cuts);
        foreach ($starts as $i => $start) {
            $shots[] = new Shot($start, ($starts[$i + 1] ?? $frames) - $start, $cuts[$start]->slide, $this->picture($cuts[$start], $take->camera));
        }

        return [$shots, $choice];
    }

    public function card(CardSource $card, int $frames): Shot
    {
        return new Shot(0, $frames, $card->picture, $this->picture(new PictureChoice(\OpenReel\Core\Picture\Layout::SlideAlone, slide: $card->picture), null));
    }

    private function picture(PictureChoice $choice, ?Shape $camera): PicturePlan
    {
        return PicturePlan::for($this->frame, $choice->layout, $choice->inset, $choice->slide?->shape, $camera, $this->logo, $this->ground);
    }
}
