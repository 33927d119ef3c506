<?php

namespace OpenReel\Core\Script;

use OpenReel\Core\Time\Tick;

/**
 * How long a text takes to say, at the pace of someone explaining.
 *
 * 165 words a minute while speaking, plus pauses: with ordinary sentences about 140 a minute in all, within the
 * 130 to 160 usually measured for teaching. A number is counted as the words it is read as, roughly one a digit.
 */
final class SpeakingTime
{
    private const WORD_MS = 364;

    private const LINE_PAUSE_MS = 450;

    private const COMMA_PAUSE_MS = 180;

    private const PARAGRAPH_PAUSE_MS = 500;

    /**
     * @param  list<Line>  $lines
     * @return Tick zero for no lines
     */
    public static function of(array $lines): Tick
    {
        $milliseconds = 0;
        $paragraph = $lines[0]->paragraph ?? 1;
        foreach ($lines as $line) {
            $milliseconds += self::words($line->text) * self::WORD_MS
                + (int) preg_match_all('/[,;:–—](?=\s)/u', $line->text) * self::COMMA_PAUSE_MS
                + self::LINE_PAUSE_MS
                + ($line->paragraph !== $paragraph ? self::PARAGRAPH_PAUSE_MS : 0);
            $paragraph = $line->paragraph;
        }

        return Tick::ofMilliseconds($milliseconds);
    }

    /** Spoken words in a text; each digit of a number counts as one. */
    public static function words(string $text): int
    {
        $count = 0;
        foreach (preg_split('/[\s\/–—]+/u', $text) ?: [] as $token) {
            $digits = (int) preg_match_all('/\p{Nd}/u', $token);
            $count += $digits > 0 ? $digits : (preg_match('/[\p{L}%€$£°+=]/u', $token) === 1 ? 1 : 0);
        }

        return $count;
    }
}
