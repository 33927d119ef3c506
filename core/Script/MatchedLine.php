<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A line of a changed script, with the identity it had before. */
final readonly class MatchedLine
{
    /**
     * @param  int  $section  by index
     * @param  string|null  $id  null for a new line
     */
    public function __construct(public int $section, public Line $line, public ?string $id = null)
    {
    }
}
