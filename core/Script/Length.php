<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A short length as a part of a cue: `0.8 s`, `2s`, `1.5`. */
final class Length
{
    /**
     * @param  string|null  $text  null where nothing is said
     * @param  int  $otherwise  milliseconds
     * @return int|null milliseconds; null when it is no length
     */
    public static function milliseconds(?string $text, int $otherwise = 0): ?int
    {
        if ($text === null) {
            return $otherwise;
        }

        return preg_match('/^(\d{1,3}(?:[.,]\d{1,3})?)\s*(?:s|sec|secs|seconds?)?$/i', trim($text), $match) === 1
            ? (int) round(1000 * (float) str_replace(',', '.', $match[1]))
            : null;
    }
}
