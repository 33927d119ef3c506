<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** How far a section is, as `NextStep` asks for it. */
final readonly class SectionStanding
{
    /**
     * @param  string  $id  the section's
     * @param  string  $fill  as in SectionState
     * @param  string|null  $waiting  id of the newest take without a verdict
     * @param  bool  $isSpoken  whether there are words to be said
     */
    public function __construct(public string $id, public string $fill, public ?string $waiting, public bool $isSpoken)
    {
    }

    /** Whether there is still something to record or to decide in it. */
    public function isOpen(): bool
    {
        return $this->fill !== 'filled' && $this->isSpoken;
    }
}
