<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/**
 * Which moment of a take each frame of a passage shows, and which frame shows a moment. Nothing else converts between the
 * two; `resources/js/player/TimeMap.ts` does the same in the browser, by the same examples (tests/examples/time-map.json).
 */
final readonly class TimeMap
{
    /** @param  non-empty-list<Stretch>  $stretches  in order of frames; no moment of the take comes twice */
    private function __construct(public array $stretches, public int $frames)
    {
    }

    /** @param  non-empty-list<Stretch>  $stretches */
    public static function of(array $stretches): self
    {
        return new self($stretches, array_sum(array_map(fn (Stretch $s): int => $s->frames, $stretches)));
    }

    /** A take at its own pace. */
    public static function plain(Tick $in, int $frames, FrameRate $rate): self
    {
        return self::of([new Stretch($frames, $in, $rate->ticksPerFrame())]);
    }

    /** @return list<int> frames on which the take goes on otherwise than on the frame before */
    public function changes(): array
    {
        $frames = [];
        $at = 0;
        foreach (array_slice($this->stretches, 0, -1) as $stretch) {
            $frames[] = $at += $stretch->frames;
        }

        return $frames;
    }

    /** @return int ticks of the take from a frame to the next */
    public function stepAt(int $frame): int
    {
        foreach ($this->stretches as $stretch) {
            if ($frame < $stretch->frames) {
                return $stretch->step;
            }
            $frame -= $stretch->frames;
        }

        return $this->stretches[count($this->stretches) - 1]->step;
    }

    /** @param  int  $frame  of the passage, counted from 0; one outside is taken as its first, or as its end */
    public function timeOf(int $frame): Tick
    {
        $left = max(0, $frame);
        foreach ($this->stretches as $stretch) {
            if ($left < $stretch->frames) {
                return Tick::of($stretch->in->count + $left * $stretch->step);
            }
            $left -= $stretch->frames;
        }
        $last = $this->stretches[count($this->stretches) - 1];

        return Tick::of($last->in->count + $last->frames * $last->step);
    }

    /** @return int the frame during which a moment of the take comes; 0 for moments before, `frames` for those behind */
    public function frameOf(Tick $time): int
    {
        return $this->frameAt($time->count);
    }

    /** The same for a moment in ticks: thousands of words are asked for at once. */
    public function frameAt(int $ticks): int
    {
        $before = 0;
        foreach ($this->stretches as $stretch) {
            $into = $ticks - $stretch->in->count;
            if ($into < 0) {
                return $before;
            }
            if ($into < $stretch->frames * $stretch->step) {
                return $before + intdiv($into, $stretch->step);
            }
            if ($into === 0) {
                // A picture is held: the moment comes with its first frame.
                return $before;
            }
            $before += $stretch->frames;
        }

        return $this->frames;
    }

    /** @return list<array{frames: int, in_ticks: int, step: int}> */
    public function toArray(): array
    {
        return array_map(
            fn (Stretch $s): array => ['frames' => $s->frames, 'in_ticks' => $s->in->count, 'step' => $s->step],
            $this->stretches,
        );
    }
}
