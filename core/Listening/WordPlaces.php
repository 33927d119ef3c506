<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

use OpenReel\Core\Listening\Alignment\SpokenWords;
use OpenReel\Core\Take\Reached;
use OpenReel\Core\Time\Tick;

/** Places inside a line of which it was heard when they are said: where its words begin. */
final class WordPlaces
{
    /**
     * @param  string  $id  of the line
     * @param  string  $text  of it
     * @param  Tick  $later  by how much the voice begins later than the take
     * @return list<Reached> without the line's first word
     */
    public static function of(string $id, string $text, Read $read, Tick $later): array
    {
        $places = [];
        foreach (SpokenWords::offsets($text) as $i => $offset) {
            $word = $read->words[$i] ?? null;
            if ($word !== null && $offset > 0) {
                $places[] = new Reached($id, round($offset / strlen($text), 4), $word->span->from->plus($later));
            }
        }

        return $places;
    }
}
