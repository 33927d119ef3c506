<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * Finds the lines of an earlier script again in a changed one, so that takes stay tied to the words they speak.
 *
 * First the longest common subsequence of lines with the same words holds the two scripts together (Hunt and Szymanski
 * 1977). What is left over is found by its words elsewhere (moved), then among lines removed before (come back), and
 * at last by likeness (changed): between the same neighbours first, then anywhere.
 *
 * Every step is bounded: where very many lines could be paired, only those that are likely are looked at. Which they are, a
 * histogram of the words tells: lines that share a rare word.
 */
final class LineMatch
{
    /** Between the same neighbours, lines that share this much are the same line, rewritten. */
    private const LIKE_IN_PLACE = 0.5;

    /** Anywhere else it takes more. */
    private const LIKE_ANYWHERE = 0.7;

    /**
     * With more pairs than this the text was rewritten, not edited: then only likely pairs between the same neighbours are
     * compared.
     */
    private const MOST_PAIRS = 40_000;

    /**
     * Pairs of equal lines looked at for the longest common subsequence; of lines said again and again only near ones beyond
     * that.
     */
    private const MOST_EQUAL = 200_000;

    /** How near: so many occurrences to either side of the one that stands at the same place among its like. */
    private const NEAR = 4;

    /** Of a line's words so many of the rarest lead to others... */
    private const RARE_WORDS = 4;

    /** ...each to so many at most. */
    private const LINES_A_WORD = 8;

    /**
     * @param  list<LineIdentity>  $known  the lines before, in order
     * @param  list<LineIdentity>  $removed  lines removed before that, the latest first
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
        while (
            $behind < $shorter - $before &&
            $known[count($known) - 1 - $behind]->text === $texts[count($texts) - 1 - $behind]
        ) {
            $behind++;
        }

        return [
            ...array_map(fn (LineIdentity $l): string => $l->id, array_slice($known, 0, $before)),
            ...self::middle(
                array_slice($known, $before, count($known) - $before - $behind),
                $removed,
                array_slice($texts, $before, count($texts) - $before - $behind),
            ),
            ...array_map(fn (LineIdentity $l): string => $l->id, $behind === 0 ? [] : array_slice($known, -$behind)),
        ];
    }

    /**
     * @param  list<LineIdentity>  $known
     * @param  list<LineIdentity>  $removed
     * @param  list<string>  $texts
     * @return list<string|null>
     */
    private static function middle(array $known, array $removed, array $texts): array
    {
        $old = array_map(fn (LineIdentity $l): string => Words::key($l->text), $known);
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
        $places = self::placesFromBehind($old);
        $counts = array_count_values($new);
        $equal = array_sum(
            array_map(
                fn (string $key, int $count): int => $count * count($places[$key] ?? []),
                array_map(strval(...), array_keys($counts)),
                $counts,
            ),
        );
        $seen = [];
        // Ends of increasing runs of old indexes, the shortest run first; each entry knows the one before it.
        $ends = [];
        foreach ($new as $now => $key) {
            $candidates = $places[$key] ?? [];
            if ($equal > self::MOST_EQUAL && count($candidates) > 2 * self::NEAR) {
                $nth = $seen[$key] = ($seen[$key] ?? -1) + 1;
                $there = count($candidates) - 1 - intdiv($nth * count($candidates), $counts[$key]);
                $candidates = array_slice($candidates, max(0, $there - self::NEAR), 2 * self::NEAR + 1);
            }
            foreach ($candidates as $before) {
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

    /**
     * @param  list<string>  $keys
     * @return array<array-key, list<int>> places of each key, the last first
     */
    private static function placesFromBehind(array $keys): array
    {
        $places = [];
        for ($i = count($keys) - 1; $i >= 0; $i--) {
            $places[$keys[$i]][] = $i;
        }

        return $places;
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
        return self::firstFree(array_diff_key($old, array_flip($pairs)), array_diff_key($new, $pairs));
    }

    /**
     * @param  list<LineIdentity>  $removed
     * @param  list<string>  $new
     * @param  array<int, string>  $ids
     * @return array<int, string>
     */
    private static function comeBack(array $removed, array $new, array $ids): array
    {
        $found = self::firstFree(
            array_map(fn (LineIdentity $l): string => Words::key($l->text), $removed),
            array_diff_key($new, $ids),
        );

        return array_map(fn (int $i): string => $removed[$i]->id, $found);
    }

    /**
     * Gives each of the lines the first one that has the same words and has not been given yet.
     *
     * @param  array<int, string>  $from  keys by index
     * @param  array<int, string>  $to  keys by index
     * @return array<int, int> index in `$from` by index in `$to`
     */
    private static function firstFree(array $from, array $to): array
    {
        $free = $next = $found = [];
        foreach ($from as $index => $key) {
            $free[$key][] = $index;
        }
        foreach ($to as $index => $key) {
            $given = $next[$key] ?? 0;
            if (isset($free[$key][$given])) {
                $found[$index] = $free[$key][$given];
                $next[$key] = $given + 1;
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
        $oldWords = array_map(fn (string $key): array => explode(' ', $key), $freeOld);
        $newWords = array_map(fn (string $key): array => explode(' ', $key), $freeNew);
        $candidates = [];
        foreach (self::toCompare($oldWords, $newWords, $gapOfOld, $gapOfNew) as $now => $befores) {
            foreach ($befores as $before) {
                $inPlace = $gapOfNew[$now] === $gapOfOld[$before];
                $likeness = Words::likeness($newWords[$now], $oldWords[$before]);
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
     * @param  array<int, list<string>>  $old  words by index
     * @param  array<int, list<string>>  $new
     * @param  array<int, int>  $gapOfOld
     * @param  array<int, int>  $gapOfNew
     * @return iterable<int, iterable<int>> for each new line the old ones it is compared with
     */
    private static function toCompare(array $old, array $new, array $gapOfOld, array $gapOfNew): iterable
    {
        if (count($old) * count($new) <= self::MOST_PAIRS) {
            foreach ($new as $now => $words) {
                yield $now => array_keys($old);
            }

            return;
        }
        $oldOfGap = $newOfGap = [];
        foreach ($old as $before => $words) {
            $oldOfGap[$gapOfOld[$before]][$before] = $words;
        }
        foreach ($new as $now => $words) {
            $newOfGap[$gapOfNew[$now]][$now] = $words;
        }
        foreach ($newOfGap as $gap => $lines) {
            $there = $oldOfGap[$gap] ?? [];
            $isSmall = count($there) * count($lines) <= self::MOST_PAIRS;
            $histogram = $isSmall ? [] : self::histogram($there);
            foreach ($lines as $now => $words) {
                yield $now => $isSmall ? array_keys($there) : self::likely($words, $histogram);
            }
        }
    }

    /**
     * @param  array<int, list<string>>  $lines
     * @return array<array-key, list<int>> the lines that hold a word, each once
     */
    private static function histogram(array $lines): array
    {
        $of = [];
        foreach ($lines as $index => $words) {
            foreach (array_unique($words) as $word) {
                $of[$word][] = $index;
            }
        }

        return $of;
    }

    /**
     * Old lines that share one of a line's rarest words.
     *
     * @param  list<string>  $words
     * @param  array<array-key, list<int>>  $histogram
     * @return list<int>
     */
    private static function likely(array $words, array $histogram): array
    {
        $counts = [];
        foreach ($words as $word) {
            if (isset($histogram[$word])) {
                $counts[$word] = count($histogram[$word]);
            }
        }
        asort($counts);
        $lines = [];
        foreach (array_slice(array_keys($counts), 0, self::RARE_WORDS) as $word) {
            foreach (array_slice($histogram[$word], 0, self::LINES_A_WORD) as $line) {
                $lines[$line] = true;
            }
        }

        return array_keys($lines);
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
