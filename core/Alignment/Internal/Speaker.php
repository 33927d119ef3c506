<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Moves the reference towards the presenter's own voice: its frames fall into classes of like sound, and each class is shifted by
 * the mean difference to the frames of the take that were found to be the same.
 */
final class Speaker
{
    private const CLASSES = 64;

    private const ROUNDS = 8;

    /** As if so many frames of each class had been the same in both: few frames move a class little. */
    private const PRIOR = 4.0;

    /**
     * @param  array<int, ReferenceLine>  $lines  by number
     * @param  list<SearchHit>  $attempts
     * @return array<int, ReferenceLine>
     */
    public static function adapted(Speech $speech, array $lines, array $attempts): array
    {
        $all = array_merge(...array_map(fn (ReferenceLine $l): array => $l->frames, array_values($lines)));
        if ($all === [] || $attempts === []) {
            return $lines;
        }
        $starts = [];
        $at = 0;
        foreach ($lines as $number => $line) {
            $starts[$number] = $at;
            $at += $line->length();
        }
        [$classes, $labels] = self::classes($all);
        $sums = array_fill(0, $classes, array_fill(0, Cepstra::SIZE, 0.0));
        $counts = array_fill(0, $classes, 0);
        foreach ($attempts as $attempt) {
            $frames = array_slice($lines[$attempt->line]->frames, 0, $attempt->reached + 1);
            foreach (Warp::path($speech, $frames, $attempt->from, $attempt->until) as $i => $j) {
                if ($j < 0) {
                    continue;
                }
                $class = $labels[$starts[$attempt->line] + $j];
                $counts[$class]++;
                $reference = $frames[$j];
                foreach ($speech->frames->at($attempt->from + $i) as $d => $value) {
                    $sums[$class][$d] += $value - $reference[$d];
                }
            }
        }
        $adapted = [];
        $at = 0;
        foreach ($lines as $number => $line) {
            $frames = [];
            foreach ($line->frames as $frame) {
                $class = $labels[$at++];
                foreach ($sums[$class] as $d => $sum) {
                    $frame[$d] += $sum / ($counts[$class] + self::PRIOR);
                }
                $frames[] = array_values($frame);
            }
            $adapted[$number] = new ReferenceLine($frames);
        }

        return $adapted;
    }

    /**
     * Lloyd's k-means, begun with frames at equal distances.
     *
     * @param  non-empty-list<list<float>>  $frames
     * @return array{int, list<int>} how many classes there are, and the class of each frame
     */
    private static function classes(array $frames): array
    {
        $count = count($frames);
        $classes = min(self::CLASSES, $count);
        $centres = [];
        for ($class = 0; $class < $classes; $class++) {
            $centres[] = $frames[intdiv($class * $count, $classes)];
        }
        $labels = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $sums = array_fill(0, $classes, array_fill(0, Cepstra::SIZE, 0.0));
            $counts = array_fill(0, $classes, 0);
            $labels = [];
            foreach ($frames as $frame) {
                $row = Distance::row($centres, $frame, 0, $classes);
                $class = $row === [] ? 0 : (int) array_search(min($row), $row, true);
                $labels[] = $class;
                $counts[$class]++;
                foreach ($frame as $d => $value) {
                    $sums[$class][$d] += $value;
                }
            }
            foreach ($counts as $class => $n) {
                if ($n > 0) {
                    $centres[$class] = array_values(array_map(fn (float $sum): float => $sum / $n, $sums[$class]));
                }
            }
        }

        return [$classes, $labels];
    }
}
