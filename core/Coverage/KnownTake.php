<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\Verdict;

/** What coverage needs to know about a take. */
final readonly class KnownTake
{
    /** @var array<string, int> place of each of its lines, by line id */
    public array $places;

    /**
     * @param  string  $section  id of the section it hangs on
     * @param  bool  $usable  it was listened to and has a length
     * @param  int  $order  of two takes that were kept, the one with the higher order was kept later; 0 when it is kept
     *    only for lines that were chosen of it
     * @param  list<Span>  $used  what is left of it after trimming, in order
     * @param  list<SpokenLine>  $lines  those it speaks, in order, in the words they had then; empty when that is not known
     * @param  array<string, Tick>  $cuts  where it can be cut before each of these lines, by line id
     * @param  array<string, true>  $flawed  ids of lines that are not said well in it, or not heard well
     */
    public function __construct(
        public string $id,
        public string $section,
        public int $number,
        public Verdict $verdict,
        public bool $usable,
        public int $order,
        public array $used,
        public array $lines = [],
        public array $cuts = [],
        public array $flawed = [],
    ) {
        $this->places = array_flip(array_column($lines, 'id'));
    }

    public function isKept(): bool
    {
        return $this->usable && $this->verdict === Verdict::Kept && $this->used !== [];
    }

    /** Whether everything it says is said by the other one as well. A take whose lines are not known may say anything. */
    public function isCoveredBy(self $other): bool
    {
        if ($this->lines === [] || $other->lines === []) {
            return $this->section === $other->section;
        }

        return array_diff(array_column($this->lines, 'id'), array_column($other->lines, 'id')) === [];
    }
}
