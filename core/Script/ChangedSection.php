<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A section of a changed script, whose identity is looked for. */
final readonly class ChangedSection
{
    /** @param  list<string>  $known  ids of those of its lines that were known before */
    public function __construct(public string $heading, public array $known)
    {
    }

    public function isUnnamed(): bool
    {
        return trim($this->heading) === '';
    }
}
