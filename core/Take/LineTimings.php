<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;

/** When the lines of a take are said: as the prompter moved on, or as it was heard. */
final readonly class LineTimings
{
    /**
     * All by line id, in the order in which they are said; none where that is not known.
     *
     * @param  array<string, Tick>  $starts  when each begins
     * @param  array<string, Tick>  $cuts  where the take can be cut before each
     * @param  list<WordAnchor>  $anchors  places inside them of which the moment is known
     */
    public function __construct(public array $starts = [], public array $cuts = [], public array $anchors = [])
    {
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it */
    public static function parse(array $stored): self
    {
        $ticks = fn (array $all): array => array_map(fn (int $t): Tick => Tick::of($t), $all);

        return new self(
            $ticks((array) ($stored['starts'] ?? [])),
            $ticks((array) ($stored['cuts'] ?? [])),
            array_values(array_map(
                fn (array $a): WordAnchor => new WordAnchor((string) $a[0], (float) $a[1], Tick::of((int) $a[2])),
                (array) ($stored['anchors'] ?? []),
            )),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $ticks = fn (array $all): array => array_map(fn (Tick $t): int => $t->count, $all);

        return [
            'starts' => $ticks($this->starts),
            'cuts' => $ticks($this->cuts),
            'anchors' => array_map(fn (WordAnchor $a): array => [$a->line, $a->within, $a->at->count], $this->anchors),
        ];
    }
}
