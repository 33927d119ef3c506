<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Assembly\Join;
use OpenReel\Core\Assembly\JoinKind;
use OpenReel\Core\Time\FrameRate;

/** What a join cue says: how a section meets the one before it, and how long that takes. */
final readonly class JoinCue
{
    /** Milliseconds: too short to be seen, and so long that it is a picture of its own. */
    private const LENGTHS = [100, 3_000];

    private const USUAL_MS = 500;

    public function __construct(public JoinKind $kind, public int $milliseconds = self::USUAL_MS)
    {
    }

    /** @return self|null null when it names no join, or a length that is none */
    public static function read(string $value): ?self
    {
        $parts = array_map(trim(...), explode(',', strtolower($value)));
        $kind = JoinKind::tryFrom($parts[0]);
        $length = Length::milliseconds($parts[1] ?? null, self::USUAL_MS);

        return $kind === null || $length === null || count($parts) > 2
            ? null
            : new self($kind, max(self::LENGTHS[0], min(self::LENGTHS[1], $length)));
    }

    public function join(FrameRate $rate): Join
    {
        $frames = $rate->frames($this->milliseconds);

        return match ($this->kind) {
            JoinKind::Cut => Join::cut(),
            JoinKind::Dissolve => Join::dissolve($frames),
            JoinKind::Push => Join::push($frames),
            JoinKind::Dip => Join::dip($frames),
        };
    }
}
