<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Script\TargetLength;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;

/** How far a section is, as strip, margin and lists show it. */
final readonly class SectionState
{
    /** Shorter than this, a block could not be seen, in milliseconds. */
    private const SHORTEST_MS = 1000;

    /**
     * @param  string  $fill  `hollow` (nothing recorded), `half` (undecided), `filled` (kept)
     * @param  bool  $notched  something to look at
     * @param  string  $says  the state in words
     * @param  string|null  $kept  id of the take that is heard first
     * @param  string|null  $waiting  id of the newest take without a verdict
     * @param  string|null  $reading  id of the newest take that is kept and not read yet: what it speaks is not known
     * @param  int  $lengthMs  as heard, or about as long as it will be
     * @param  int|null  $offTargetMs  how much longer (or, negative, shorter) than meant, when that is more than a tenth
     */
    private function __construct(
        public string $fill,
        public bool $notched,
        public string $says,
        public ?string $kept,
        public ?string $waiting,
        public ?string $reading,
        public int $lengthMs,
        public ?int $offTargetMs,
    ) {
    }

    /** @param  string  $kind  the card's */
    public static function ofCard(string $kind, int $lengthMs): self
    {
        return new self('filled', false, "{$kind} card", null, null, null, $lengthMs, null);
    }

    /**
     * @param  list<TakeView>  $takes  of the section, by number
     * @param  array<string, TakeView>  $heard  all takes that are heard in it, by id
     * @param  int  $estimateMs  how long its words take to say
     */
    public static function of(SectionCoverage $coverage, array $takes, array $heard, int $estimateMs, ?int $targetMs): self
    {
        $waiting = $reading = null;
        foreach ($takes as $take) {
            $waiting = $take->isWaiting() ? $take : $waiting;
            $reading = self::isKept($take) && $take->state === TakeState::Ingesting ? $take->id : $reading;
        }
        $first = $coverage->parts[0]->take ?? null;
        // A take that was kept before it could be listened to is kept all the same.
        foreach ($first === null ? $takes : [] as $take) {
            $first = self::isKept($take) ? $take->id : $first;
        }
        $flagged = array_filter($heard, fn (TakeView $t): bool => $t->needsAttention());
        $fill = match (true) {
            $first !== null => 'filled',
            $waiting !== null => 'half',
            default => 'hollow',
        };
        $notes = array_filter([
            $flagged !== [] || ($first === null && ($waiting?->needsAttention() ?? false)) ? 'something to look at' : null,
            $first !== null && $coverage->missing !== [] && $reading === null ? self::missing(count($coverage->missing)) : null,
        ]);
        $says = $coverage->isElsewhere
            ? 'spoken in the take of another section'
            : ['hollow' => 'not recorded', 'half' => 'undecided', 'filled' => 'kept'][$fill];
        $length = max(self::SHORTEST_MS, $coverage->isHeard() ? $coverage->length()->milliseconds() : $estimateMs);

        return new self(
            $fill,
            $notes !== [],
            implode(', ', [$says, ...$notes, ...($reading === null ? [] : ['being read'])]),
            $first,
            $waiting?->id,
            $reading,
            $length,
            TargetLength::missedBy($length, $targetMs),
        );
    }

    /** Also when nothing of it can be heard yet. */
    private static function isKept(TakeView $take): bool
    {
        return $take->verdict === Verdict::Kept;
    }

    private static function missing(int $count): string
    {
        return $count === 1 ? 'one line not recorded yet' : "{$count} lines not recorded yet";
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'fill' => $this->fill,
            'notched' => $this->notched,
            'says' => $this->says,
            'kept' => $this->kept,
            'waiting' => $this->waiting,
            'reading' => $this->reading,
            'length_ms' => $this->lengthMs,
            'off_target_ms' => $this->offTargetMs,
        ];
    }
}
