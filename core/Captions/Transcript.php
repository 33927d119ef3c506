<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Assembly\Assembly;

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
}
