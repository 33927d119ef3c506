<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\ExpectedLine;

/** Where in the script somebody goes on who left its order: where a section begins most likely, or in the midst of one. */
final class RelocationSearch
{
    /** Frames of speech that are no line (8 s), and reads in a row of which one is not sure, at which one is lost. */
    private const STRAY = 400;

    private const UNSURE = 2;

    /** Frames of silence inside of such speech (1.2 s). */
    private const GAP = 60;

    /** Frames by which places in the script are compared (20 s). */
    public const LISTEN = 1_000;

    /** Beside the beginnings of sections so many lines lie between places that are tried. */
    private const EVERY = 3;

    /** The frame from which on what was found is hardly what is said; null where it is. */
    public static function lost(Speech $speech, Path $way): ?int
    {
        $places = array_column($speech->outside($way->attempts, self::GAP, self::STRAY), 0);
        $inRow = 0;
        foreach ($way->confidences($speech) as $i => $confidence) {
            $inRow = $confidence < Alignment::SURE ? $inRow + 1 : 0;
            if ($inRow === self::UNSURE) {
                $places[] = $way->attempts[$i - self::UNSURE + 1]->from;
                break;
            }
        }

        return $places === [] ? null : min($places);
    }

    /**
     * @param  list<ExpectedLine>  $lines
     * @param  Window  $window  of the lines among which one is lost
     * @return int|null the line that is said there; null when no other place in the script is more like it
     */
    public static function goesOn(Speech $speech, int $lost, array $lines, Window $window, AlignmentPass $passes): ?int
    {
        $part = $speech->slice($lost, min($speech->count(), $lost + self::LISTEN));
        $least = $passes->cost($part, $window) - Costs::JUMP;
        $found = null;
        foreach ($lines as $number => $line) {
            if (($line->beginsSection || $number % self::EVERY === 0) && ! isset($window->texts[$number])) {
                $cost = $passes->cost($part, Window::from($lines, $number, $part->milliseconds()));
                if ($cost < $least) {
                    [$least, $found] = [$cost, $number];
                }
            }
        }

        return $found;
    }
}
