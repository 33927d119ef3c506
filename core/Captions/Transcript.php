<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Kernel\Tick;

/** What is said in a film as plain text, under its chapters. */
final class Transcript
{
    /** @param  array<string, string>  $texts  words of the lesson's lines, by id */
    public static function of(string $title, Assembly $assembly, array $texts): string
    {
        $out = [$title];
        foreach ($assembly->segments as $segment) {
            if ($segment->opens) {
                $out[] = $segment->title;
            }
            $said = array_filter(array_map(
                fn (string $line): string => trim($texts[$line] ?? ''),
                $segment->passage?->spoken() ?? [],
            ));
            if ($said !== []) {
                $out[] = implode(' ', $said);
            }
        }

        return implode("\n\n", $out)."\n";
    }

    /**
     * What is said in each chapter, and when.
     *
     * @param  list<TimedLine>  $said
     * @return list<array{title: string, at: string, lines: list<array{text: string, at: string, seconds: float}>}> times as m:ss
     */
    public static function chapters(Assembly $assembly, array $said): array
    {
        $chapters = [];
        foreach ($assembly->segments as $segment) {
            if ($segment->opens) {
                $from = Tick::ofFrames($segment->startFrame, $assembly->rate);
                $lines = array_filter($said, fn (TimedLine $l): bool => $l->section === $segment->sectionId);
                $chapters[] = ['title' => $segment->title, 'at' => self::clock($from), 'lines' => array_map(
                    fn (TimedLine $l): array => [
                        'text' => $l->text, 'at' => self::clock($l->from), 'seconds' => round($l->from->seconds(), 2),
                    ],
                    array_values($lines),
                )];
            }
        }

        return $chapters;
    }

    private static function clock(Tick $at): string
    {
        $seconds = (int) $at->seconds();

        return sprintf('%d:%02d', intdiv($seconds, 60), $seconds % 60);
    }
}
