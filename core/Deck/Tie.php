<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

/** A proposal: this slide comes up at that line. */
final readonly class Tie
{
    /**
     * @param  int  $section  index, from 0
     * @param  int  $line  number within the section, from 1
     * @param  list<string>  $shared  words that slide and script have in common, the telling ones first
     */
    public function __construct(public string $slide, public int $section, public int $line, public array $shared)
    {
    }

    /** The reason, as a sentence. */
    public function because(): string
    {
        return $this->shared === [] ? 'Nothing else fits better in this order.' : 'Both say '.self::list($this->shared).'.';
    }

    /** @param  non-empty-list<string>  $words */
    private static function list(array $words): string
    {
        $words = array_map(fn (string $w): string => "\"{$w}\"", $words);
        $last = array_pop($words);

        return $words === [] ? $last : implode(', ', $words)." and {$last}";
    }
}
