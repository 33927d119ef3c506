<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A line that has an identity: takes refer to it by its id. */
final readonly class LineIdentity
{
    /** @param  string  $section  id of the section it stands in, or stood in last */
    public function __construct(public string $id, public string $section, public string $text)
    {
    }
}
