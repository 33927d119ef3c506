<?php

declare(strict_types=1);

namespace OpenReel\Core\Handout;

/** @internal of Handout: a word and the frame of its segment at which it is said */
final readonly class SaidWord
{
    public function __construct(public string $word, public int $frame)
    {
    }
}
