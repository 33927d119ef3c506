<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** How a segment meets the one before it. */
final readonly class Transition
{
    private function __construct(public TransitionKind $kind, public int $frames)
    {
    }

    public static function cut(): self
    {
        return new self(TransitionKind::Cut, 0);
    }

    /** @param  int  $frames  that both segments are seen together */
    public static function dissolve(int $frames): self
    {
        return $frames < 1 ? self::cut() : new self(TransitionKind::Dissolve, $frames);
    }

    /** @param  int  $frames  from the first in which the other comes in to the last in which this one is seen */
    public static function push(int $frames): self
    {
        return $frames < 1 ? self::cut() : new self(TransitionKind::Push, $frames);
    }

    /** @param  int  $frames  from the first that darkens to the last that brightens, even: half of them on either side */
    public static function dip(int $frames): self
    {
        return $frames < 2 ? self::cut() : new self(TransitionKind::Dip, 2 * intdiv($frames, 2));
    }

    /**
     * Short enough for both sides: neither may give away more than half of its frames, so that two joins never meet.
     *
     * @param  int  $before  frames of the segment before
     * @param  int  $after  frames of the segment after
     */
    public function within(int $before, int $after): self
    {
        $most = intdiv(min($before, $after), 2);

        return match ($this->kind) {
            TransitionKind::Cut => $this,
            TransitionKind::Dissolve => self::dissolve(min($this->frames, $most)),
            TransitionKind::Push => self::push(min($this->frames, $most)),
            TransitionKind::Dip => self::dip(min($this->frames, 2 * $most)),
        };
    }

    /** Frames that both segments have in common: by so many the film is shorter than its segments. */
    public function overlap(): int
    {
        return $this->kind->overlaps() ? $this->frames : 0;
    }

    /** Frames at the end of the segment before that belong to the join's own piece. */
    public function takenBefore(): int
    {
        return $this->kind === TransitionKind::Dip ? intdiv($this->frames, 2) : $this->frames;
    }

    /** Frames at the start of the segment after that belong to the join's own piece. */
    public function takenAfter(): int
    {
        return $this->takenBefore();
    }

    /** @return array{kind: string, frames: int} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'frames' => $this->frames];
    }
}
