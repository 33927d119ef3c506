<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** A section as it stands in the script now. */
final readonly class CoverageSection
{
    /**
     * @param  array<string, string>  $lines  their words by id, in order
     * @param  bool  $isCard  nobody speaks it
     */
    public function __construct(public string $id, public array $lines, public bool $isCard = false)
    {
    }
}
