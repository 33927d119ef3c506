<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A section that has an identity: takes are recorded for it by its id. */
final readonly class SectionIdentity
{
    /** @param  bool  $removed  it stood in an earlier script and not in the last one */
    public function __construct(public string $id, public string $heading, public bool $removed = false)
    {
    }
}
