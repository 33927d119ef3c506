<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Take\TakeView;

/** On which frame of its segment each word of a line is said first. */
final class WordFrames
{
    /**
     * @param  array<string, string>  $texts  of lines, by id
     * @return array<string, list<int>> by line, a frame a word (parted by white space); without lines it does not speak
     */
    public static function of(Segment $segment, array $texts): array
    {
        [$passage, $map] = [$segment->passage, $segment->map];
        if ($passage === null || $map === null) {
            return [];
        }
        $last = $segment->frames - 1;

        return array_map(
            fn (array $ticks): array => array_map(fn (int $t): int => max(0, min($last, $map->frameAt($t))), $ticks),
            self::ticks($passage, $passage->spoken(), $texts),
        );
    }

    /**
     * @param  list<string>  $lines  ids of those that are asked for
     * @param  array<string, string>  $texts  of lines, by id
     * @return array<string, list<int>> by line, the tick of the take on which each word begins, also of words that are cut out
     */
    public static function ticks(Passage $passage, array $lines, array $texts): array
    {
        $found = [];
        foreach ($lines as $line) {
            $text = $texts[$line] ?? '';
            $places = $passage->take->placesIn($line);
            if ($places !== null && preg_match_all('/\S+/u', $text, $words, PREG_OFFSET_CAPTURE) > 0) {
                $length = strlen($text);
                $found[$line] = TakeView::allBetween(
                    $places, array_map(fn (array $word): float => $word[1] / $length, $words[0]),
                );
            }
        }

        return $found;
    }
}
