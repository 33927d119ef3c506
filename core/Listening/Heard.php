<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

use OpenReel\Core\Time\Span;

/** What was heard in a take. */
final readonly class Heard
{
    /** Below this the program is not sure, and goes by where the prompter stood. */
    public const SURE = 0.5;

    /**
     * @param  list<Read>  $reads  in order of time
     * @param  list<Span>  $unscripted  speech that is no line
     * @param  list<Span>  $pauses  silence of more than 0.8 s between speech
     * @param  float  $confidence  0..1: how sure all of it is
     */
    public function __construct(public array $reads, public array $unscripted, public array $pauses, public float $confidence)
    {
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
            $complete[$read->line] = $read->kind === ReadKind::Complete || ($complete[$read->line] ?? false);
        }

        return array_values(array_filter(range(0, $lines - 1), fn (int $i): bool => $lines > 0 && ! ($complete[$i] ?? false)));
    }
}
