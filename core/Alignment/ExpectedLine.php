<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

/** A line that is listened for. */
final readonly class ExpectedLine
{
    /**
     * @param  string  $text  as it is written
     * @param  string  $spoken  as it is spoken, see OpenReel\Core\Script\Spoken
     * @param  bool  $beginsSection  whether one may come to it from far away
     */
    public function __construct(public string $text, public string $spoken, public bool $beginsSection = false)
    {
    }
}
