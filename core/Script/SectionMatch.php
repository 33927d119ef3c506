<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * Finds the sections of an earlier script again in a changed one: by the lines they share, then by their heading, then
 * by their place. A section that was split lives on where most of its lines went; of sections that were merged, the one
 * that brought most lines lives on.
 */
final class SectionMatch
{
    /** A heading weighs as much as this many lines. */
    private const HEADING = 1.5;

    /** Of sections with the same heading so many are looked at: those that stood nearest. */
    private const MOST_NAMESAKES = 10;

    /**
     * @param  list<SectionIdentity>  $known  the sections before in order, then those removed earlier, the latest first
     * @param  array<string, string>  $sectionOf  section id by line id, as it was before
     * @param  list<ChangedSection>  $now  the sections now
     * @return list<string|null> for each section now, the id it had before; null for a new section
     */
    public static function ids(array $known, array $sectionOf, array $now): array
    {
        $candidates = [];
        $called = $orders = [];
        foreach ($known as $order => $before) {
            $called[Words::key($before->heading)][] = $before->id;
            $orders[$before->id] = $order;
        }
        foreach ($now as $index => $section) {
            $shared = array_count_values(array_values(array_intersect_key($sectionOf, array_flip($section->known))));
            $namesakes =
                $section->isUnnamed()
                    ? []
                    : self::nearest($called[Words::key($section->heading)] ?? [], $orders, $index);
            foreach (array_unique([...$namesakes, ...array_keys($shared)]) as $id) {
                $before = isset($orders[$id]) ? $known[$orders[$id]] : null;
                $sameHeading = in_array($id, $namesakes, true);
                $lines = $shared[$id] ?? 0;
                // One that was removed comes back only with its heading or most of what the new one says.
                if ($before === null || ($before->removed && ! $sameHeading && 2 * $lines <= count($section->known))) {
                    continue;
                }
                $score = $lines + ($sameHeading ? self::HEADING : 0) - ($before->removed ? 0.5 : 0);
                $candidates[] = [$score, abs($orders[$id] - $index), $index, $before->id];
            }
        }
        usort($candidates, fn (array $a, array $b): int => [$b[0], $a[1], $a[2]] <=> [$a[0], $b[1], $b[2]]);
        $ids = $taken = [];
        foreach ($candidates as [, , $index, $id]) {
            if (! isset($ids[$index]) && ! isset($taken[$id])) {
                $ids[$index] = $id;
                $taken[$id] = true;
            }
        }
        $ids += self::inPlace($known, $sectionOf, $now, $ids);

        return array_map(fn (int $i): ?string => $ids[$i] ?? null, array_keys($now));
    }

    /**
     * @param  list<string>  $ids  in order
     * @param  array<string, int>  $orders
     * @return list<string>
     */
    private static function nearest(array $ids, array $orders, int $place): array
    {
        if (count($ids) <= self::MOST_NAMESAKES) {
            return $ids;
        }
        $low = 0;
        for ($high = count($ids); $low < $high;) {
            $middle = intdiv($low + $high, 2);
            [$low, $high] = $orders[$ids[$middle]] < $place ? [$middle + 1, $high] : [$low, $middle];
        }

        return array_slice($ids, max(0, $low - intdiv(self::MOST_NAMESAKES, 2)), self::MOST_NAMESAKES);
    }

    /**
     * What is left stands where it stood: the same number of sections from the start or, failing that, from the end.
     * Only sections that share nothing with any other are taken so.
     *
     * @param  list<SectionIdentity>  $known
     * @param  array<string, string>  $sectionOf
     * @param  list<ChangedSection>  $now
     * @param  array<int, string>  $ids
     * @return array<int, string>
     */
    private static function inPlace(array $known, array $sectionOf, array $now, array $ids): array
    {
        $alive = array_values(array_filter($known, fn (SectionIdentity $k): bool => ! $k->removed));
        $found = [];
        $taken = array_fill_keys($ids, true);
        $anywhere = 0;
        foreach (array_diff_key($now, $ids) as $index => $section) {
            $shift = count($alive) - count($now);
            $isEmpty = $section->isUnnamed() && $section->known === [];
            // Any empty section is as good as another: what was passed over once is not looked at again.
            while ($isEmpty && isset($alive[$anywhere], $taken[$alive[$anywhere]->id])) {
                $anywhere++;
            }
            $places = [
                $index,
                $index + $shift,
                ...$isEmpty ? range($anywhere, min($anywhere + self::MOST_NAMESAKES, count($alive))) : [],
            ];
            foreach ($places as $place) {
                $before = $alive[$place] ?? null;
                $isFree = $before !== null && ! isset($taken[$before->id]);
                if ($before === null || ! $isFree || ($isEmpty && $before->heading !== '' && $shift !== 0)) {
                    continue;
                }
                // Lines went elsewhere: what stands here now is something new.
                if (
                    array_intersect_key($sectionOf, array_flip($section->known)) === [] &&
                    ($shift === 0 || trim($before->heading) === '')
                ) {
                    $found[$index] = $before->id;
                    $taken[$before->id] = true;
                    break;
                }
            }
        }

        return $found;
    }
}
