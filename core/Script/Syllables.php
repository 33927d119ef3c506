<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * Counts syllables of English words by their vowel groups, with the usual corrections (silent e, -ed, -es, -le). Right
 * within a few per cent over a paragraph, which is all that timing needs.
 */
final class Syllables
{
    /** Vowel groups that are two syllables. */
    private const TWO = '/(?:[au]o(?!u)|eo(?!u|ple)|[rd]ea$|[sc]ie[nt]|quie|ia(?!n?$)|ian$|iu|io(?!n|u)|ya|ua[tl]|creat|react'
        .'|ying|eing|uing|oing|aire$|ower|iers?$)/';

    private const REMEMBERED = 20_000;

    /** @param  string  $spoken  words as said, see Spoken */
    public static function count(string $spoken): int
    {
        /** @var array<string, int> $known words come again and again */
        static $known = [];
        $count = 0;
        preg_match_all('/[\p{L}\p{M}\']+/u', str_replace('’', "'", $spoken), $words);
        foreach ($words[0] as $word) {
            $known = count($known) > self::REMEMBERED ? [] : $known;
            $count += $known[$word] ??= self::ofWord(mb_strtolower($word));
        }

        return $count;
    }

    private static function ofWord(string $word): int
    {
        $letters = str_replace("'", '', $word);
        if (preg_match('/^\p{L}$/u', $letters) === 1) {
            return $letters === 'w' ? 3 : 1;
        }
        $plain =
            preg_match('/^[a-z]+$/', $letters) === 1
                ? $letters
                : (transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $letters) ?:
                $letters);
        $stem = (string) preg_replace(
            [
                '/(?<=[^aeiouydt])ed$/',
                '/(?<=[^aeiouyscxz])(?<!ch|sh|g|[^aeiouy]l|[^aeiouy]r)es$/',
                '/(?<=[^aeiouy])(?<![^aeiouy]l|[^aeiouy]r)e$/',
            ],
            '',
            $plain,
        );
        $groups = (int) preg_match_all('/[aeiouy]+/', $stem);
        $groups += (int) preg_match_all(self::TWO, $stem);

        return max(1, $groups);
    }
}
