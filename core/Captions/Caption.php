<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Time\Tick;

/** One or two rows of text, and from when until when in the film they are seen. */
final readonly class Caption
{
    /** @param  non-empty-list<string>  $rows */
    public function __construct(public array $rows, public Tick $from, public Tick $until)
    {
    }

    public function text(): string
    {
        return implode(' ', $this->rows);
    }
}
