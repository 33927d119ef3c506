<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** What may be laid over the stage. The value is its word in a cue. */
enum EmphasisShape: string
{
    case Box = 'box';

    case Round = 'round';

    case Underline = 'underline';

    case Arrow = 'arrow';

    /** All but a round place is dimmed. */
    case Spotlight = 'spotlight';

    /** How many numbers say where it lies. */
    public function numbers(): int
    {
        return $this === self::Underline ? 3 : 4;
    }
}
