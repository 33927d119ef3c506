<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\AttemptKind;

/** What was heard in a take. */
final readonly class Alignment
{
    /** Below this the program is not sure, and goes by where the prompter stood. */
    public const SURE = 0.5;

    /** Ticks: a pause inside of what is used that is none for effect any more (3 s). */
    public const LONG_PAUSE = 144_000;

    /**
     * @param  list<Attempt>  $reads  in order of time
     * @param  list<Span>  $unscripted  speech that is no line
     * @param  list<Span>  $pauses  silence of more than 0.8 s between speech
     * @param  float  $confidence  0..1: how sure all of it is
     */
    public function __construct(public array $reads, public array $unscripted, public array $pauses, public float $confidence)
    {
    }

    /**
     * Plain values, for another machine: spans as their first and last tick.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $spans = fn (array $all): array => array_map(fn (Span $s): array => self::packed($s), $all);

        return [
            'reads' => array_map(fn (Attempt $r): array => [
                'line' => $r->line, 'kind' => $r->kind->value, 'span' => self::packed($r->span), 'confidence' => $r->confidence,
                'words' => array_map(fn (AlignedWord $w): array => [$w->word, ...self::packed($w->span)], $r->words),
            ], $this->reads),
            'unscripted' => $spans($this->unscripted),
            'pauses' => $spans($this->pauses),
            'confidence' => $this->confidence,
        ];
    }

    /** @param  array<string, mixed>  $values  as `toArray` gives them */
    public static function parse(array $values): self
    {
        $span = fn (int $from, int $until): Span => Span::between(Tick::of($from), Tick::of($until));
        $spans = fn (array $all): array => array_values(array_map(fn (array $s): Span => $span(...$s), $all));
        $words = fn (array $all): array => array_values(
            array_map(fn (array $w): AlignedWord => new AlignedWord($w[0], $span($w[1], $w[2])), $all),
        );

        return new self(
            array_values(array_map(
                fn (array $r): Attempt => new Attempt(
                    $r['line'], AttemptKind::from($r['kind']), $span(...$r['span']), $words($r['words']), (float) $r['confidence'],
                ),
                $values['reads'],
            )),
            $spans($values['unscripted']),
            $spans($values['pauses']),
            (float) $values['confidence'],
        );
    }

    public function isSure(): bool
    {
        return $this->confidence >= self::SURE;
    }

    /**
     * @param  int  $lines  how many were listened for
     * @return list<int> indexes of those of which no complete read was heard
     */
    public function missing(int $lines): array
    {
        $complete = [];
        foreach ($this->reads as $read) {
            $complete[$read->line] = $read->kind === AttemptKind::Complete || ($complete[$read->line] ?? false);
        }

        return array_values(array_filter(range(0, $lines - 1), fn (int $i): bool => $lines > 0 && ! ($complete[$i] ?? false)));
    }

    /** @return array{int, int} */
    private static function packed(Span $span): array
    {
        return [$span->from->count, $span->until->count];
    }
}
