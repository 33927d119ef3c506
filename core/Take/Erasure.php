<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;

/** What stood on a surface was wiped off it at a moment of the take. */
final readonly class Erasure
{
    /** As what it is stored among what was drawn. */
    public const KIND = 'wipe';

    public function __construct(public string $on, public Tick $at)
    {
    }

    /** @return array{kind: string, on: string, from: int} */
    public function toArray(): array
    {
        return ['kind' => self::KIND, 'on' => $this->on, 'from' => $this->at->count];
    }
}
