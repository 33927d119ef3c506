<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Alignment\Internal\Frames;
use OpenReel\Core\Alignment\Internal\SearchHit;
use OpenReel\Core\Alignment\Internal\Speech;
use OpenReel\Core\Kernel\Span;

/** Speech that is no line of the script. */
final class OffScript
{
    /** Frames: shorter speech between lines is a breath, a click or an "er" (0.3 s). */
    private const LEAST = 15;

    /** Frames of silence inside of it (0.5 s). */
    private const GAP = 25;

    /**
     * @param  list<SearchHit>  $attempts  in order
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
