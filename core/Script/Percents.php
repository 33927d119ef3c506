<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Numbers in per cent of the stage's picture, as a cue names places. */
final class Percents
{
    /**
     * @param  string  $text  `20 10.5 40`, with or without signs of per cent
     * @param  int  $count  how many they have to be
     * @return list<float>|null each from 0 to 100; null when they are not so many numbers
     */
    public static function parse(string $text, int $count): ?array
    {
        $words = preg_split('/[\s%]+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $numbers = array_filter($words, fn (string $w): bool => preg_match('/^-?\d{1,6}(\.\d{1,4})?$/', $w) === 1);

        return count($words) === $count && count($numbers) === $count
            ? array_map(fn (string $w): float => max(0.0, min(100.0, (float) $w)), $words)
            : null;
    }
}
