<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;

/**
 * What is known of a take once its recording was processed: how long it is, where somebody speaks as its levels tell, when each
 * line begins as the prompter moved on, and what was noted while it was recorded. What the presenter decides later is not in it.
 */
final readonly class IngestResult
{
    /** Change it whenever the same recording gives another result. */
    public const VERSION = 1;

    /** Brought over from a version that did not keep it apart: its times may be those that were heard. */
    public const BROUGHT_OVER = 0;

    /**
     * All moments and spans in take time.
     *
     * @param  Span|null  $speech  from the first sound of a voice to the last, or to what was written behind it; null without any
     * @param  list<Span>  $retakes  from where a line was begun to where it was begun again, in order, apart from each other
     * @param  list<string>  $flags  values of SoundFlag, or `no-sound`; the worst first
     * @param  list<TakeAnnotation>  $annotations  what was drawn, in the order in which it lies over each other
     * @param  list<Erasure>  $erasures  and what was erased, in order
     * @param  array<int, Tick>  $markers  places to come back to, by number, counted from 1
     */
    public function __construct(
        public Tick $length,
        public ?Span $speech = null,
        public LineTimings $timings = new LineTimings(),
        public array $retakes = [],
        public array $flags = [],
        public array $annotations = [],
        public array $erasures = [],
        public array $markers = [],
    ) {
    }

    public function hasDrawings(): bool
    {
        return $this->annotations !== [] || $this->erasures !== [];
    }

    /** The same with other times: what the prompter and the levels tell was looked for again. */
    public function withTimes(?Span $speech, LineTimings $timings): self
    {
        return new self(
            $this->length, $speech, $timings, $this->retakes, $this->flags, $this->annotations, $this->erasures, $this->markers,
        );
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it; annotations that cannot be read are passed over */
    public static function parse(array $stored): self
    {
        $drawn = array_values((array) ($stored['drawn'] ?? []));

        return new self(
            Tick::of(max(0, (int) ($stored['length'] ?? 0))),
            Spans::ofPairs(array_filter([$stored['speech'] ?? null]))[0] ?? null,
            LineTimings::parse($stored),
            Spans::ofPairs((array) ($stored['retakes'] ?? [])),
            array_values((array) ($stored['flags'] ?? [])),
            $drawn === [] ? [] : array_values(array_filter(array_map(TakeAnnotation::parse(...), $drawn))),
            array_values(array_map(
                fn (array $d): Erasure => new Erasure((string) $d['on'], Tick::of((int) $d['from'])),
                array_filter($drawn, fn (array $d): bool => ($d['kind'] ?? '') === Erasure::KIND),
            )),
            array_map(fn (int $at): Tick => Tick::of($at), (array) ($stored['markers'] ?? [])),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'length' => $this->length->count,
            'speech' => $this->speech === null ? null : Spans::pairs([$this->speech])[0],
            'retakes' => Spans::pairs($this->retakes),
            'flags' => $this->flags,
            'drawn' => [
                ...array_map(fn (TakeAnnotation $a): array => $a->toArray(), $this->annotations),
                ...array_map(fn (Erasure $e): array => $e->toArray(), $this->erasures),
            ],
            'markers' => array_map(fn (Tick $t): int => $t->count, $this->markers),
        ] + $this->timings->toArray();
    }
}
