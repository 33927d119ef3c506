<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Compares texts by their words alone: letter case, punctuation and white space do not count. */
final class Words
{
    /** @return list<string> in lower case */
    public static function of(string $text): array
    {
        preg_match_all('/[\p{L}\p{M}\p{N}]+(?:[\'’.,][\p{L}\p{N}]+)*/u', mb_strtolower(str_replace('’', "'", $text)), $words);

        return $words[0] === [] && trim($text) !== '' ? [trim($text)] : $words[0];
    }

    public static function key(string $text): string
    {
        return implode(' ', self::of($text));
    }

    /**
     * How much two texts have in common: twice the shared words against all words of both (Dice's coefficient).
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return float 0..1
     */
    public static function likeness(array $a, array $b): float
    {
        $all = count($a) + count($b);
        if ($all === 0) {
            return 1.0;
        }
        $left = array_count_values($b);
        $shared = 0;
        foreach ($a as $word) {
            if (($left[$word] ?? 0) > 0) {
                $left[$word]--;
                $shared++;
            }
        }

        return 2 * $shared / $all;
    }
}
