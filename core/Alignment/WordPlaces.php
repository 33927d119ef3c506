<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\WordAnchor;

/** Places inside a line of which it was heard when they are said: where its words begin. */
final class WordPlaces
{
    /**
     * @param  string  $id  of the line
     * @param  string  $text  of it
     * @param  Tick  $later  by how much the voice begins later than the take
     * @return list<WordAnchor> without the line's first word
     */
    public static function of(string $id, string $text, Attempt $read, Tick $later): array
    {
        $places = [];
        foreach (SpokenWords::offsets($text) as $i => $offset) {
            $word = $read->words[$i] ?? null;
            if ($word !== null && $offset > 0) {
                $places[] = new WordAnchor($id, round($offset / strlen($text), 4), $word->span->from->plus($later));
            }
        }

        return $places;
    }
}
