<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

use OpenReel\Core\Listening\Alignment\Attempt;
use OpenReel\Core\Listening\Alignment\Frames;
use OpenReel\Core\Listening\Alignment\Speech;
use OpenReel\Core\Time\Span;

/** Speech that is no line of the script. */
final class Unscripted
{
    /** Frames: shorter speech between lines is a breath, a click or an "er" (0.3 s). */
    private const LEAST = 15;

    /** Frames of silence inside of it (0.5 s). */
    private const GAP = 25;

    /**
     * @param  list<Attempt>  $attempts  in order
     * @return list<Span>
     */
    public static function of(Speech $speech, array $attempts): array
    {
        return array_map(
            fn (array $stretch): Span => Frames::span(...$stretch),
            $speech->outside($attempts, self::GAP, self::LEAST),
        );
    }
}
