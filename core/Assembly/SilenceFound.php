<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\StageKind;

/** A silence in the film, and the word behind it: it may run faster. */
final readonly class SilenceFound
{
    /**
     * @param  string|null  $line  the line of the word that follows it; null when none does
     * @param  int  $word  by its number in that line, counted from 0
     * @param  Tick  $length  as it was recorded
     * @param  bool  $hasScreen  a screen is on the stage when it begins
     */
    private function __construct(public ?string $line, public int $word, public Tick $length, public bool $hasScreen)
    {
    }

    /**
     * @param  array<string, string>  $texts  of lines, by id
     * @return list<self> in the order of the film
     */
    public static function all(SectionInput $section, array $texts): array
    {
        $found = [];
        foreach ($section->passages as $passage) {
            $silences = Silences::in($passage);
            $words = $silences === [] ? [] : WordFrames::ticks($passage, $passage->spoken(), $texts);
            foreach ($silences as $silence) {
                $hasScreen = self::stage($section, $passage, $silence) === StageKind::Screen;
                $found[] = new self(...[...self::word($words, $silence), $silence->length(), $hasScreen]);
            }
        }

        return $found;
    }

    /**
     * @param  array<string, list<int>>  $words  ticks of the take by line
     * @return array{string|null, int} the first word behind the middle of a silence
     */
    private static function word(array $words, Span $silence): array
    {
        $middle = intdiv($silence->from->count + $silence->until->count, 2);
        foreach ($words as $line => $ticks) {
            foreach ($ticks as $n => $tick) {
                if ($tick >= $middle) {
                    return [(string) $line, $n];
                }
            }
        }

        return [null, 0];
    }

    /** What is on the stage when it begins. */
    private static function stage(SectionInput $section, Passage $passage, Span $silence): ?StageKind
    {
        $seen = $section->opening;
        $timeline = $section->timeline();
        foreach ($section->changes as $change) {
            $at = self::moment($passage, $timeline->at($change->line, $change->within));
            $seen = $at !== null && ! $silence->from->isBefore($at) ? $change->then : $seen;
        }

        return $seen->stage?->kind;
    }

    private static function moment(Passage $passage, LinePlace $place): ?Tick
    {
        return $passage->take->at($place->line, $place->within);
    }
}
