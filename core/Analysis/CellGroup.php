<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

/** @internal of Framing: the cells in which the presenter is seen, and their middle */
final readonly class CellGroup
{
    /** @param  non-empty-list<PictureCell>  $cells */
    private function __construct(public array $cells, public float $x, public float $y)
    {
    }

    /** @param  list<PictureCell>  $cells */
    public static function of(array $cells): ?self
    {
        $count = count($cells);

        return $cells === [] ? null : new self(
            $cells,
            array_sum(array_map(fn (PictureCell $c): int => $c->x, $cells)) / $count,
            array_sum(array_map(fn (PictureCell $c): int => $c->y, $cells)) / $count,
        );
    }
}
