<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Keys that are pressed together, as people write them: `Ctrl+S`, `Shift + Page Down`, `Ctrl++`. */
final class Keys
{
    /** Wider rows of caps would not be read in time. */
    private const MOST = 5;

    private const LONGEST = 16;

    /** @return list<string> one cap each; empty when no keys are named, or too many */
    public static function parse(string $value): array
    {
        preg_match_all('/(?:^|\+)\s*([^+]+?|\+)\s*(?=\+|$)/u', trim($value), $found);
        $caps = array_map(fn (string $cap): string => trim((string) preg_replace('/\s+/u', ' ', $cap)), $found[1]);
        $longest = max([0, ...array_map(mb_strlen(...), $caps)]);

        return count($caps) > self::MOST || $longest > self::LONGEST || in_array('', $caps, true) ? [] : $caps;
    }
}
