<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** The way through the lines that a take went, and what it was compared with. */
final readonly class Path
{
    /**
     * @param  list<SearchHit>  $attempts  in order
     * @param  array<int, Frames>  $lines  by number, of those attempted: the reference, as near to the presenter as it came
     * @param  array<int, list<int>>  $words  by line the frame of it at which each spoken word begins, or none
     */
    public function __construct(public array $attempts, public array $lines, public array $words)
    {
    }

    /** @return list<float> of each attempt how sure one may be of it, 0..1 */
    public function confidences(Speech $speech): array
    {
        return array_map(
            fn (SearchHit $a): float => Confidence::of($speech, $a, $this->lines[$a->line]->slice(0, $a->reached + 1)->all()),
            $this->attempts,
        );
    }
}
