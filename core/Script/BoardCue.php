<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Picture\BoardPaper;

/** What a board cue says: which page, and what paper it is when it is begun. */
final readonly class BoardCue
{
    /** More pages than anybody finds again. */
    public const MOST_PAGES = 99;

    /**
     * @param  int|null  $page  counted from 1; null stays on the page shown last
     * @param  BoardPaper|null  $paper  null leaves the page as it is
     */
    public function __construct(public ?int $page = null, public ?BoardPaper $paper = null)
    {
    }

    /** @return self|null null when a word of it is unknown */
    public static function parse(string $value): ?self
    {
        $page = $paper = null;
        foreach (array_filter(array_map(trim(...), explode(',', $value)), fn (string $w): bool => $w !== '') as $word) {
            $number = preg_match('/^(?:page\s+)?(\d{1,2})$/i', $word, $m) === 1 ? (int) $m[1] : 0;
            $found = BoardPaper::tryFrom(strtolower($word));
            if ($number < 1 && $found === null) {
                return null;
            }
            $page = $number > 0 ? $number : $page;
            $paper = $found ?? $paper;
        }

        return new self($page, $paper);
    }
}
