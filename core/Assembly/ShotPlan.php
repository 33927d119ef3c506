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
    /** For a place behind the used part: after every frame, also when the last one is held beyond the end. */
    private const BEHIND = PHP_INT_MAX;

    public function __construct(private FrameSize $frame, private FrameRate $rate, private ?Logo $logo, private string $ground)
    {
    }

    /**
     * @param  PictureChoice  $choice  what is seen when the segment begins
     * @param  list<list<PictureChange>>  $changes  of each section that is heard in the take, in order
     * @return array{non-empty-list<Shot>, PictureChoice} the shots, and what is seen at the end
     */
    public function of(PictureChoice $choice, array $changes, TakeSource $take, int $frames): array
    {
        $cuts = [0 => $choice];
        foreach ($this->timed($changes, $take) as [$frame, $then]) {
            $choice = $then;
            // What comes up behind the used part is seen from the next take on.
            if ($frame < $frames) {
                $cuts[$frame] = $then;
            }
        }
        $shots = [];
        $starts = array_keys($cuts);
        foreach ($starts as $i => $start) {
            $shots[] = new Shot($start, ($starts[$i + 1] ?? $frames) - $start, $cuts[$start]->slide, $this->picture($cuts[$start], $take->camera));
        }

        return [$shots, $choice];
    }

    /** The frame of the segment on which a place in the lines falls; null when the take does not speak that line. */
    public function frameOf(TakeSource $take, string $line, float $within = 0.0): ?int
    {
        $at = $take->at($line, $within);

        return match (true) {
            $at === null => null,
            ! $at->isBefore($take->used->until) => self::BEHIND,
            default => intdiv($at->minusOrZero($take->used->from)->count, $this->rate->ticksPerFrame()),
        };
    }

    /**
     * @param  list<list<PictureChange>>  $changes
     * @return list<array{int, PictureChoice}> frame and what is seen from it on, in order of time
     */
    private function timed(array $changes, TakeSource $take): array
    {
        $timed = [];
        foreach ($changes as $ofSection) {
            $last = 0;
            foreach ($ofSection as $change) {
                $frame = $this->frameOf($take, $change->line, $change->within);
                if ($frame !== null) {
                    // A cue never takes effect before the one it follows.
                    $timed[] = [$last = max($last, $frame), $change->then];
                }
            }
        }
        usort($timed, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $timed;
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
