<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A section as it is written: its heading and what stands below it. */
final readonly class SectionText
{
    public function __construct(public string $heading, public string $text = '')
    {
    }
}
