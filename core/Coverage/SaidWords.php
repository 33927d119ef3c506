<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** @internal of Coverage: the words that a take says at a line */
final readonly class SaidWords
{
    /** @param  int  $take  its number in the section */
    public function __construct(public string $text, public int $take)
    {
    }
}
