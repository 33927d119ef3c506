<?php

declare(strict_types=1);

namespace OpenReel\Core\Publishing;

/** How far viewers watched, from how often each few seconds of a film were seen. Nobody is told apart. */
final class RetentionCurve
{
    /** Milliseconds of a part of the film that is counted. */
    public const PART_MS = 5_000;

    /**
     * @param  list<int>  $chapters  where each begins, in milliseconds, in order
     * @param  int  $length  milliseconds of the film
     * @param  array<int, int>  $times  how often each part was seen, by its number
     * @return list<float> how much of each chapter was seen, by as many as saw the part that was seen most: 0..1
     */
    public static function byChapter(array $chapters, int $length, array $times): array
    {
        $most = $times === [] ? 0 : max($times);
        $curve = [];
        foreach ($chapters as $n => $from) {
            // The last part of a film counts, however short it is.
            $until = $chapters[$n + 1] ?? self::PART_MS * self::count($length);
            $parts = self::parts($from, $until);
            $seen = array_sum(array_map(fn (int $part): int => $times[$part] ?? 0, $parts));
            $curve[] = $most === 0 ? 0.0 : round($seen / count($parts) / $most, 3);
        }

        return $curve;
    }

    /** @return int how many parts a film has */
    public static function count(int $length): int
    {
        return intdiv(max(0, $length - 1), self::PART_MS) + 1;
    }

    /** @return non-empty-list<int> numbers of the parts of which most lies in a stretch, or the one in which its middle lies */
    private static function parts(int $from, int $until): array
    {
        $first = intdiv($from + intdiv(self::PART_MS, 2), self::PART_MS);
        $behind = intdiv($until + intdiv(self::PART_MS, 2), self::PART_MS);

        return $behind > $first ? range($first, $behind - 1) : [intdiv(intdiv($from + $until, 2), self::PART_MS)];
    }
}
