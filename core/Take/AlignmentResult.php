<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;

/** Which lines a take says, where, and what of it is worth using, as it was heard. Counts for the film only when it is sure. */
final readonly class AlignmentResult
{
    /** Change it whenever the same sound and lines give another result. */
    public const VERSION = 1;

    /**
     * All spans in take time.
     *
     * @param  float  $confidence  0..1: how sure all of it is
     * @param  list<LineAttempt>  $attempts  in order of time
     * @param  list<Span>  $unscripted  speech that is no line, in order
     * @param  list<Span>  $pauses  silences between speech, in order
     * @param  list<string>  $missing  ids of lines of which no attempt is complete
     * @param  list<string>  $order  ids of the lines it speaks, in the order it does
     * @param  Span|null  $speech  from the first of them to the last, with the silence that belongs to them; null without any
     * @param  list<Span>  $omitted  false starts and attempts that were said again, in order
     * @param  list<string>  $flawed  ids of lines that are not said well in it
     * @param  list<string>  $flags  values of SpeechFlag, the worst first
     */
    public function __construct(
        public AlignmentStatus $status,
        public float $confidence = 0.0,
        public array $attempts = [],
        public array $unscripted = [],
        public array $pauses = [],
        public array $missing = [],
        public array $order = [],
        public ?Span $speech = null,
        public array $omitted = [],
        public LineTimings $timings = new LineTimings(),
        public array $flawed = [],
        public array $flags = [],
    ) {
    }

    /** Whether it counts: otherwise the prompter's times do. */
    public function isSure(): bool
    {
        return $this->status === AlignmentStatus::Sure;
    }

    /** @param  array<string, mixed>  $stored  as toArray gives it */
    public static function parse(array $stored): self
    {
        $spans = fn (string $name): array => Spans::ofPairs((array) ($stored[$name] ?? []));
        $strings = fn (string $name): array => array_map(strval(...), array_values((array) ($stored[$name] ?? [])));

        return new self(
            AlignmentStatus::from((string) $stored['status']),
            (float) ($stored['confidence'] ?? 0),
            array_values(array_map(
                fn (array $a): LineAttempt => new LineAttempt(
                    (string) $a[0],
                    AttemptKind::from((string) $a[1]),
                    Span::between(Tick::of((int) $a[2]), Tick::of((int) $a[3])),
                    (float) $a[4],
                ),
                (array) ($stored['attempts'] ?? []),
            )),
            $spans('unscripted'),
            $spans('pauses'),
            $strings('missing'),
            $strings('order'),
            Spans::ofPairs(array_filter([$stored['speech'] ?? null]))[0] ?? null,
            $spans('omitted'),
            LineTimings::parse($stored),
            $strings('flawed'),
            $strings('flags'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'status' => $this->status->value,
            'confidence' => $this->confidence,
            'attempts' => array_map(
                fn (LineAttempt $a): array => [$a->line, $a->kind->value, ...Spans::pairs([$a->span])[0], $a->confidence],
                $this->attempts,
            ),
            'unscripted' => Spans::pairs($this->unscripted),
            'pauses' => Spans::pairs($this->pauses),
            'missing' => $this->missing,
            'order' => $this->order,
            'speech' => $this->speech === null ? null : Spans::pairs([$this->speech])[0],
            'omitted' => Spans::pairs($this->omitted),
            'flawed' => $this->flawed,
            'flags' => $this->flags,
        ] + $this->timings->toArray();
    }
}
