<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Kernel\Tick;

/** The lines that are said in a film, and when. */
final class TimedLines
{
    /** A viewer writes down a moment a little after what made them think. */
    private const LATE_MS = 1_000;

    /**
     * @param  array<string, string>  $texts  words of the lesson's lines, by id
     * @return list<TimedLine> in the order of the film
     */
    public static function of(Assembly $assembly, array $texts): array
    {
        $lines = [];
        foreach ($assembly->segments as $segment) {
            foreach (WordFrames::of($segment, $texts) as $line => $frames) {
                if ($frames === []) {
                    continue;
                }
                $from = Tick::ofFrames($segment->startFrame + $frames[0], $assembly->rate);
                $text = trim($texts[$line]);
                $lines[] = new TimedLine((string) $line, $segment->sectionId, $segment->title, $text, $from);
            }
        }
        usort($lines, fn (TimedLine $a, TimedLine $b): int => $a->from->count <=> $b->from->count);

        return $lines;
    }

    /**
     * The line that a remark at a moment is about.
     *
     * @param  list<TimedLine>  $lines  in order
     * @return TimedLine|null null when none is said
     */
    public static function at(array $lines, int $milliseconds): ?TimedLine
    {
        $found = $lines[0] ?? null;
        foreach ($lines as $line) {
            // Shortly behind its first word the one before is meant.
            $found = $line->from->milliseconds() <= max(0, $milliseconds - self::LATE_MS) ? $line : $found;
        }

        return $found;
    }
}
