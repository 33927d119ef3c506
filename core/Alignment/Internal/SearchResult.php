<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** The way through the lines that a stretch of speech most likely went. */
final readonly class SearchResult
{
    /**
     * @param  float  $cost  as of Costs
     * @param  list<SearchHit>  $hits  in order
     */
    public function __construct(public float $cost, public array $hits)
    {
    }
}
