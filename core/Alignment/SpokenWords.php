<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

/** The words of a line, as it is written and as it is spoken, and which belong together. */
final class SpokenWords
{
    private const WORD = '/[\p{L}\p{M}\p{N}]+(?:[\'’.,:][\p{L}\p{M}\p{N}]+)*/u';

    /** @return list<string> without punctuation, as written otherwise */
    public static function of(string $text): array
    {
        preg_match_all(self::WORD, $text, $words);

        return $words[0];
    }

    /** @return list<int> the byte at which each word begins */
    public static function offsets(string $text): array
    {
        preg_match_all(self::WORD, $text, $words, PREG_OFFSET_CAPTURE);

        return array_column($words[0], 1);
    }

    /**
     * Where each written word begins among the spoken ones: "4.8 m" is written as two words and spoken as four.
     *
     * @return list<float> for each word of the written text the index of a spoken word, and the part of it that is over
     */
    public static function places(string $written, string $spoken): array
    {
        $own = array_map(mb_strtolower(...), self::of($written));
        $said = array_map(mb_strtolower(...), self::of($spoken));
        $pairs = [...self::common($own, $said), [count($own), count($said)]];
        $places = [];
        [$i, $j] = [0, 0];
        foreach ($pairs as [$toI, $toJ]) {
            // Between two words that are the same in both, the others share what is spoken there.
            for ($k = $i; $k < $toI; $k++) {
                $places[] = (float) ($j + (($toJ - $j) * ($k - $i)) / ($toI - $i));
            }
            if ($toI < count($own)) {
                $places[] = (float) $toJ;
            }
            [$i, $j] = [$toI + 1, $toJ + 1];
        }

        return $places;
    }

    /**
     * The longest common subsequence.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int, int}> indexes in both, rising
     */
    private static function common(array $a, array $b): array
    {
        [$n, $m] = [count($a), count($b)];
        $length = array_fill(0, $n + 1, array_fill(0, $m + 1, 0));
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($j = $m - 1; $j >= 0; $j--) {
                $length[$i][$j] = $a[$i] === $b[$j]
                    ? $length[$i + 1][$j + 1] + 1
                    : max($length[$i + 1][$j], $length[$i][$j + 1]);
            }
        }
        $pairs = [];
        for ($i = $j = 0; $i < $n && $j < $m;) {
            if ($a[$i] === $b[$j]) {
                $pairs[] = [$i++, $j++];
            } elseif ($length[$i + 1][$j] >= $length[$i][$j + 1]) {
                $i++;
            } else {
                $j++;
            }
        }

        return $pairs;
    }
}
