<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** Writes cues into a script at places in its lines: always before a word, never inside one. */
final class CuePlaces
{
    /**
     * @param  list<PlacedCue>  $cues
     * @return string the script's text then; a cue that stands at its place already is not written again
     */
    public static function write(Script $script, array $cues): string
    {
        $text = $script->write();
        $places = [];
        foreach ($cues as $i => $cue) {
            $line = $script->sections[$cue->section]->lines[$cue->place->line - 1] ?? null;
            if ($line !== null) {
                $places[] = [self::at($text, $line, $cue->place->within), $i, $cue->cue];
            }
        }
        // From the end, so that places before stay where they are; of two at one place the later one stands behind.
        usort($places, fn (array $a, array $b): int => [$b[0], $b[1]] <=> [$a[0], $a[1]]);
        foreach ($places as [$at, , $cue]) {
            if (! str_ends_with(rtrim(substr($text, 0, $at)), $cue)) {
                $text = substr($text, 0, $at).$cue.' '.substr($text, $at);
            }
        }

        return $text;
    }

    /** @return int the byte at which the word begins that is said next behind a part of a line, 0..1 */
    public static function at(string $text, Line $line, float $within): int
    {
        $source = substr($text, $line->from, $line->until - $line->from);
        preg_match_all('/'.substr(Cue::PATTERN, 1, -3).'|[^\s\[]+|\[/iu', $source, $found, PREG_OFFSET_CAPTURE);
        $length = max(1, strlen($line->text));
        $spoken = 0;
        $nearest = [2.0, 0];
        foreach ($found[0] as [$word, $at]) {
            if (Cue::opens($word)) {
                continue;
            }
            $off = abs($spoken / $length - $within);
            if ($off < $nearest[0]) {
                $nearest = [$off, $at];
            }
            $spoken += strlen($word) + 1;
        }

        return $line->from + $nearest[1];
    }
}
