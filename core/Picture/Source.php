<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/** Where a layer's picture comes from. */
interface Source
{
    /** @return array<string, mixed> everything that decides what is seen, for the key of a cached piece */
    public function key(): array;

    /** @return list<string> hashes of the files it is made from */
    public function files(): array;
}
