<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** @internal of CueChange: a stretch of a text, in bytes, and what stands there then */
final readonly class TextEdit
{
    public function __construct(public int $from, public int $until, public string $with)
    {
    }
}
