<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TransitionKind;

/**
 * A stretch of the film in which a take is heard without a gap. Where its picture runs faster, the silence is heard at its own
 * pace, as long as the picture takes: the room does not become another one.
 */
final readonly class SoundRun
{
    public Segment $segment;

    /**
     * @param  non-empty-list<Segment>  $segments  in which it lies, the one in which it begins first
     * @param  int  $offset  frames of that before it
     * @param  int  $frames  at least 1
     * @param  Tick|null  $in  moment of the take with which it begins; null where none is heard
     */
    private function __construct(public array $segments, public int $offset, public int $frames, public ?Tick $in)
    {
        $this->segment = $segments[0];
    }

    /**
     * @param  list<Segment>  $segments  of a film, in order
     * @return list<self> in order
     */
    public static function all(array $segments, int $ticksPerFrame): array
    {
        $runs = [];
        foreach ($segments as $segment) {
            foreach (self::of($segment) as $run) {
                $before = $runs[count($runs) - 1] ?? null;
                if ($before !== null && $run->continues($before, $ticksPerFrame)) {
                    array_pop($runs);
                    $run = $before->and($run);
                }
                $runs[] = $run;
            }
        }

        return $runs;
    }

    /** The frame of the film on which it begins. */
    public function startFrame(): int
    {
        return $this->segment->startFrame + $this->offset;
    }

    private function and(self $behind): self
    {
        $segments = $behind->offset > 0 ? $this->segments : [...$this->segments, $behind->segment];

        return new self($segments, $this->offset, $this->frames + $behind->frames, $this->in);
    }

    /** @return list<self> a stretch of its time map each */
    private static function of(Segment $segment): array
    {
        $runs = [];
        $offset = 0;
        foreach ($segment->map->stretches ?? [] as $stretch) {
            $runs[] = new self([$segment], $offset, $stretch->frames, $stretch->in);
            $offset += $stretch->frames;
        }

        return $runs === [] ? [new self([$segment], 0, $segment->frames, null)] : $runs;
    }

    /** Whether the take is heard on without a gap. */
    private function continues(self $before, int $ticksPerFrame): bool
    {
        return $before->in !== null &&
            ($this->offset > 0 || $this->segment->join->kind === TransitionKind::Cut) &&
            $this->segment->passage?->take->id === $before->segment->passage?->take->id &&
            $this->in?->count === $before->in->count + $before->frames * $ticksPerFrame;
    }
}
