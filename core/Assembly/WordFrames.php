<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Take\Take;

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
        $found = [];
        if ($passage === null || $map === null) {
            return [];
        }
        foreach ($passage->spoken() as $line) {
            $text = $texts[$line] ?? '';
            $places = $passage->take->places($line);
            if ($places === null) {
                continue;
            }
            preg_match_all('/\S+/u', $text, $words, PREG_OFFSET_CAPTURE);
            foreach ($words[0] as [, $offset]) {
                $at = Take::between($places, $offset / strlen($text));
                $found[$line][] = max(0, min($segment->frames - 1, $map->frameOf($at)));
            }
        }

        return $found;
    }
}
