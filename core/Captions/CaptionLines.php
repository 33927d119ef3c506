<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** Words laid out in one or two rows. */
final readonly class CaptionLines
{
    /** Characters in a row, and rows: what subtitle guidelines agree on, and a phone can show. */
    public const CHARACTERS = 42;

    /** What two rows of different length cost, a character: the eye goes a shorter way between rows alike. */
    private const UNEVEN = 0.3;

    /**
     * @param  non-empty-list<string>  $rows
     * @param  float  $cost  of breaking the text there
     */
    private function __construct(public array $rows, public float $cost)
    {
    }

    /**
     * Words of which a person wants one caption, whether they fit into two rows or not.
     *
     * @param  list<string>  $words  at least one
     * @return non-empty-list<string>
     */
    public static function broken(array $words): array
    {
        $breaks = array_map(BreakCost::cost(...), $words, [...array_slice($words, 1), '']);

        $two = $words === [] ? null : self::of($words, $breaks)?->rows;
        $rows = [''];
        foreach ($two === null ? $words : [] as $word) {
            $row = ltrim("{$rows[count($rows) - 1]} {$word}");
            if (mb_strlen($row) > self::CHARACTERS && $row !== $word) {
                $rows[] = $word;
            } else {
                $rows[count($rows) - 1] = $row;
            }
        }

        return $two ?? $rows;
    }

    /**
     * @param  non-empty-list<string>  $words
     * @param  list<float>  $breaks  what a break costs behind each of them (`BreakCost`)
     * @return self|null null when they do not fit into two rows; a single word longer than a row stands by itself
     */
    public static function of(array $words, array $breaks): ?self
    {
        $whole = implode(' ', $words);
        if (mb_strlen($whole) <= self::CHARACTERS || count($words) === 1) {
            return new self([$whole], 0.0);
        }
        $all = mb_strlen($whole);
        $best = null;
        $first = -1;
        for ($n = 1; $n < count($words) && $all <= 2 * self::CHARACTERS + 1; $n++) {
            $first += 1 + mb_strlen($words[$n - 1]);
            $second = $all - $first - 1;
            $rows = [implode(' ', array_slice($words, 0, $n)), implode(' ', array_slice($words, $n))];
            $cost = $breaks[$n - 1] + self::UNEVEN * abs($first - $second);
            if (max($first, $second) <= self::CHARACTERS && ($best === null || $cost < $best->cost)) {
                $best = new self($rows, $cost);
            }
        }

        return $best;
    }
}
