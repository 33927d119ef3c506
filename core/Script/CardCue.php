<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Kernel\Tick;

/** What a card cue says: which card, and for how long it stands. */
final readonly class CardCue
{
    /** Long enough to read a title twice. */
    private const DEFAULT_SECONDS = 4;

    public function __construct(public CardKind $kind, public Tick $length)
    {
    }

    public static function parse(Cue $cue): ?self
    {
        $parts = array_map(trim(...), explode(',', $cue->value));
        $kind = CardKind::tryFrom(strtolower($parts[0]));
        $length = isset($parts[1]) ? $cue->length() : Tick::ofSeconds(self::DEFAULT_SECONDS);

        return $kind === null || $length === null || count($parts) > 2 || $length->count === 0 ? null : new self($kind, $length);
    }
}
