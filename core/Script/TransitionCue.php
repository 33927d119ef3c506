<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Picture\TransitionKind;

/** What a join cue says: how a section meets the one before it, and how long that takes. */
final readonly class TransitionCue
{
    /** Milliseconds: too short to be seen, and so long that it is a picture of its own. */
    private const LENGTHS = [100, 3_000];

    private const USUAL_MS = 500;

    /** As they are offered where one is chosen. */
    public const OFFERED = ['cut', 'dissolve, 0.5 s', 'dissolve, 1 s', 'push, 0.6 s', 'dip, 0.6 s', 'dip, 1.2 s'];

    public function __construct(public TransitionKind $kind, public int $milliseconds = self::USUAL_MS)
    {
    }

    /** @return self|null null when it names no join, or a length that is none */
    public static function parse(string $value): ?self
    {
        $parts = array_map(trim(...), explode(',', strtolower($value)));
        $kind = TransitionKind::tryFrom($parts[0]);
        $length = Length::milliseconds($parts[1] ?? null, self::USUAL_MS);

        return $kind === null || $length === null || count($parts) > 2
            ? null
            : new self($kind, max(self::LENGTHS[0], min(self::LENGTHS[1], $length)));
    }

    public function join(FrameRate $rate): Transition
    {
        $frames = $rate->frames($this->milliseconds);

        return match ($this->kind) {
            TransitionKind::Cut => Transition::cut(),
            TransitionKind::Dissolve => Transition::dissolve($frames),
            TransitionKind::Push => Transition::push($frames),
            TransitionKind::Dip => Transition::dip($frames),
        };
    }
}
