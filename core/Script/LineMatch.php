<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * Finds the lines of an earlier script again in a changed one, so that takes stay tied to the words they speak.
 *
 * First the longest common subsequence of lines with the same words holds the two scripts together (Hunt and Szymanski
 * 1977). What is left over is found by its words elsewhere (moved), then among lines removed before (come back), and
 * at last by likeness (changed): between the same neighbours first, then anywhere.
 */
final class LineMatch
{
    /** Between the same neighbours, lines that share this much are the same line, rewritten. */
    private const LIKE_IN_PLACE = 0.5;

    /** Anywhere else it takes more. */
    private const LIKE_ANYWHERE = 0.7;

    /** Gaps larger than this are rewritten text, not edited text: likeness is then only looked for in order. */
    private const MOST_PAIRS = 40_000;

    /**
     * @param  list<KnownLine>  $known  the lines before, in order
     * @param  list<KnownLine>  $removed  lines removed before that, the latest first
     * @param  list<string>  $texts  the lines now, in order
     * @return list<string|null> for each line now, the id it had before; null for a new line
     */
    public static function ids(array $known, array $removed, array $texts): array
    {
        // Most changes touch one place: what stands unchanged before and behind it is not even looked at.
        $before = 0;
        $shorter = min(count($known), count($texts));
        while ($before < $shorter && $known[$before]->text === $texts[$before]) {
            $before++;
        }
        $behind = 0;
        while ($behind < $shorter - $before && $known[count($known) - 1 - $behind]->text === $texts[count($texts) - 1 - $behind]) {
            $behind++;
        }

        return [
            ...array_map(fn (KnownLine $l): string => $l->id, array_slice($known, 0, $before)),
            ...self::middle(array_slice($known, $before, count($known) - $before - $behind), $removed, array_slice($texts, $before, count($texts) - $before - $behind)),
            ...array_map(fn (KnownLine $l): string => $l->id, $behind === 0 ? [] : array_slice($known, -$behind)),
        ];
    }

    /**
     * @param  list<KnownLine>  $known
     * @param  list<KnownLine>  $removed
     * @param  list<string>  $texts
     * @return list<string|null>
     */
    private static function middle(array $known, array $removed, array $texts): array
    {
        $old = array_map(fn (KnownLine $l): string => Words::key($l->text), $known);
        $new = array_map(Words::key(...), $texts);
        // Old index by new index.
        $held = self::commonSubsequence($old, $new);
        $pairs = $held + self::equalElsewhere($old, $new, $held);
        $ids = array_map(fn (int $i): string => $known[$i]->id, $pairs);
        $ids += self::comeBack($removed, $new, $ids);
        foreach (self::changed($old, $new, $pairs, $ids, $held) as $now => $before) {
            $ids[$now] = $known[$before]->id;
        }

        return array_map(fn (int $i): ?string => $ids[$i] ?? null, array_keys($texts));
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @return array<int, int>
     */
    private static function commonSubsequence(array $old, array $new): array
    {
        $places = [];
        foreach ($old as $i => $key) {
            $places[$key][] = $i;
        }
        // Ends of increasing runs of old indexes, the shortest run first; each entry knows the one before it.
        $ends = [];
        foreach ($new as $now => $key) {
            foreach (array_reverse($places[$key] ?? []) as $before) {
                $at = self::firstNotBelow($ends, $before);
                if (($ends[$at][0] ?? -1) === $before) {
                    continue; // among equal lines the first keeps its identity
                }
                $ends[$at] = [$before, $now, $at > 0 ? $ends[$at - 1] : null];
            }
        }
        $pairs = [];
        for ($entry = $ends === [] ? null : end($ends); $entry !== null; $entry = $entry[2]) {
            $pairs[$entry[1]] = $entry[0];
        }

        return $pairs;
    }

    /** @param  array<int, array{int, int, mixed}>  $ends  without gaps */
    private static function firstNotBelow(array $ends, int $value): int
    {
        $low = 0;
        $high = count($ends);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($ends[$middle][0] < $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @param  array<int, int>  $pairs
     * @return array<int, int>
     */
    private static function equalElsewhere(array $old, array $new, array $pairs): array
    {
        $free = [];
        foreach (array_diff_key($old, array_flip($pairs)) as $before => $key) {
            $free[$key][] = $before;
        }
        $found = [];
        foreach (array_diff_key($new, $pairs) as $now => $key) {
            if (($free[$key] ?? []) !== []) {
                $found[$now] = array_shift($free[$key]);
            }
        }

        return $found;
    }

    /**
     * @param  list<KnownLine>  $removed
     * @param  list<string>  $new
     * @param  array<int, string>  $ids
     * @return array<int, string>
     */
    private static function comeBack(array $removed, array $new, array $ids): array
    {
        $free = [];
        foreach ($removed as $line) {
            $free[Words::key($line->text)][] = $line->id;
        }
        $found = [];
        foreach (array_diff_key($new, $ids) as $now => $key) {
            if (($free[$key] ?? []) !== []) {
                $found[$now] = array_shift($free[$key]);
            }
        }

        return $found;
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @param  array<int, int>  $pairs
     * @param  array<int, string>  $ids
     * @param  array<int, int>  $held
     * @return array<int, int>
     */
    private static function changed(array $old, array $new, array $pairs, array $ids, array $held): array
    {
        $freeOld = array_diff_key($old, array_flip($pairs));
        $freeNew = array_diff_key($new, $ids);
        if ($freeOld === [] || $freeNew === []) {
            return [];
        }
        $gapOfNew = self::gaps(count($new), $held);
        $gapOfOld = self::gaps(count($old), array_flip($held));
        $anywhere = count($freeOld) * count($freeNew) <= self::MOST_PAIRS;
        $candidates = [];
        $words = array_map(fn (string $key): array => explode(' ', $key), $freeOld);
        foreach ($freeNew as $now => $key) {
            $mine = explode(' ', $key);
            foreach ($words as $before => $theirs) {
                $inPlace = $gapOfNew[$now] === $gapOfOld[$before];
                if (! $anywhere && ! $inPlace) {
                    continue;
                }
                $likeness = Words::likeness($mine, $theirs);
                if ($likeness >= ($inPlace ? self::LIKE_IN_PLACE : self::LIKE_ANYWHERE)) {
                    $candidates[] = [$likeness + ($inPlace ? 1 : 0), $now, $before];
                }
            }
        }
        // The likest first; among equals the earlier.
        usort($candidates, fn (array $a, array $b): int => [$b[0], $a[1], $a[2]] <=> [$a[0], $b[1], $b[2]]);
        $found = $taken = [];
        foreach ($candidates as [, $now, $before]) {
            if (! isset($found[$now]) && ! isset($taken[$before])) {
                $found[$now] = $before;
                $taken[$before] = true;
            }
        }

        return $found;
    }

    /**
     * Which gap each place lies in, named by how many held lines stand before it. Lines that moved hold nothing.
     *
     * @param  array<int, int>  $held
     * @return array<int, int>
     */
    private static function gaps(int $count, array $held): array
    {
        $gaps = [];
        $before = 0;
        for ($i = 0; $i < $count; $i++) {
            $gaps[$i] = $before;
            $before += isset($held[$i]) ? 1 : 0;
        }

        return $gaps;
    }
}
