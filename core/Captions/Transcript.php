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
     * @return list<SaidChapter>
     */
    public static function chapters(Assembly $assembly, array $said): array
    {
        $chapters = [];
        foreach ($assembly->segments as $segment) {
            if ($segment->opens) {
                $from = Tick::ofFrames($segment->startFrame, $assembly->rate);
                $lines = array_filter($said, fn (TimedLine $l): bool => $l->section === $segment->sectionId);
                $chapters[] = new SaidChapter($segment->title, $from, array_values($lines));
            }
        }

        return $chapters;
    }
}
