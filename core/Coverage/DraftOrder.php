<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** Where in a section the lines come that a stand-in voice reads, because nobody has spoken them yet. */
final class DraftOrder
{
    /**
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<UsedPart|string> what is used, and between that the ids of lines that nobody speaks
     */
    public static function of(array $lines, SectionCoverage $coverage): array
    {
        $places = array_flip($lines);
        $order = [];
        foreach ($coverage->parts as $i => $part) {
            // A take of which nobody knows what it says may say all of it.
            if ($part->lines === []) {
                return $coverage->parts;
            }
            $order[] = [$places[$part->lines[0]] ?? 0, $i, $part];
        }
        foreach ($coverage->missing as $line) {
            $order[] = [$places[$line] ?? 0, -1, $line];
        }
        usort($order, fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_column($order, 2);
    }
}
