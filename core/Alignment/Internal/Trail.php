<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** Where tokens went: entries into lines, and what was said of them, each with what went before. */
final class Trail
{
    /** Before everything. */
    public const START = -1;

    /** @var list<SearchHit> */
    private array $hits = [];

    /** @var list<int> the hit before each, or START */
    private array $before = [];

    /** @var list<int> frame of the take at each entry */
    private array $entryFrame = [];

    /** @var list<int> the hit before each entry, or START */
    private array $entryBefore = [];

    /** @var list<float> what had been paid at each entry */
    private array $entryCost = [];

    /** @return int the entry */
    public function enter(int $frame, int $before, float $cost): int
    {
        $this->entryFrame[] = $frame;
        $this->entryBefore[] = $before;
        $this->entryCost[] = $cost;

        return count($this->entryFrame) - 1;
    }

    /** The frame of the take at which a token came into its line. */
    public function begin(Token $token): int
    {
        return $this->entryFrame[$token->entry];
    }

    /**
     * @param  int  $line  by number
     * @param  int  $until  the frame of the take behind the last
     * @return int the hit
     */
    public function leave(int $line, Token $token, int $until, bool $complete): int
    {
        $entry = $token->entry;
        $cost = $token->score - $this->entryCost[$entry];
        $this->hits[] = new SearchHit($line, $this->entryFrame[$entry], $until, $token->frame, $complete, $cost);
        $this->before[] = $this->entryBefore[$entry];

        return count($this->hits) - 1;
    }

    /** @return list<SearchHit> all up to one, in order */
    public function upTo(int $hit): array
    {
        $found = [];
        for (; $hit >= 0; $hit = $this->before[$hit]) {
            $found[] = $this->hits[$hit];
        }

        return array_reverse($found);
    }
}
