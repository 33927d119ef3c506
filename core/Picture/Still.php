<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** A picture that stands: a slide, a card, a logo. */
final readonly class Still implements Source
{
    /**
     * @param  StillKind  $kind  what it is, and where it is found by its id
     * @param  string  $hash  SHA-256 of its file
     */
    public function __construct(public StillKind $kind, public string $id, public Shape $shape, public string $hash)
    {
    }

    public function key(): array
    {
        return ['still' => $this->hash];
    }

    public function files(): array
    {
        return [$this->hash];
    }
}
