<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What somebody searches for, word by word; each may be the beginning of a longer one. */
final class SearchWords
{
    /** More words than this narrow nothing down. */
    private const MOST = 12;

    /** @return list<string> */
    public static function of(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}\p{M}]+/u', mb_scrub($text, 'UTF-8'), $found);

        return array_slice($found[0], 0, self::MOST);
    }

    /** @return string|null as SQLite's full text search asks (FTS5, section 3: strings and prefixes); null without a word */
    public static function query(string $text): ?string
    {
        $words = self::of($text);

        return $words === [] ? null : implode(' ', array_map(fn (string $word): string => "\"{$word}\"*", $words));
    }
}
