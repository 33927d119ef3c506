<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;

/** A chapter of a film with what is said in it. */
final readonly class SaidChapter
{
    /** @param  list<TimedLine>  $lines  in order */
    public function __construct(public string $title, public Tick $from, public array $lines)
    {
    }

    public function text(): string
    {
        return implode(' ', array_map(fn (TimedLine $l): string => $l->text, $this->lines));
    }
}
