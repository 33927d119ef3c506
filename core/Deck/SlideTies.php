<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Words;

/**
 * Proposes where in a script each slide of a deck comes up.
 *
 * Slides and script run in the same order, so the script is cut into runs of lines, one run a slide, by dynamic
 * programming: a run's worth is the words its lines share with the slide, rare words weighing more (inverse document
 * frequency), and slides would rather come up where a section or paragraph begins. A slide with nothing to recommend it
 * is left out.
 */
final class SlideTies
{
    /** What it is worth to come up at the start of a section or paragraph, and what it costs elsewhere. */
    private const AT_SECTION = 2.0;

    private const AT_PARAGRAPH = 0.3;

    private const WITHIN = -1.2;

    /** Showing a slide has to be worth this much. */
    private const SHOWN = -1.0;

    /** A heading's words weigh as much as those of this many lines. */
    private const HEADING = 2.0;

    /** Words named as the reason. */
    private const REASONS = 4;

    /**
     * @param  list<Page>  $slides  in the order of the deck
     * @return list<Tie> in the order of the script
     */
    public static function propose(Script $script, array $slides): array
    {
        $places = Place::all($script);
        if ($places === [] || $slides === []) {
            return [];
        }
        $weights = self::weights($places, $slides);
        $slideWords = array_map(fn (Page $s): array => self::words($s->name.' '.$s->text), $slides);
        // Best worth up to the place before, showing slide s (0 is none yet), and from which slide it came.
        $best = array_fill(0, count($slides) + 1, -INF);
        $best[0] = 0.0;
        $cameFrom = [];
        foreach ($places as $p => $place) {
            $next = $best;
            $came = array_keys($best);
            $bonus =
                self::SHOWN +
                match (true) {
                    $place->opensSection => self::AT_SECTION,
                    $place->opensParagraph => self::AT_PARAGRAPH,
                    default => self::WITHIN,
                };
            $top = -INF;
            $topSlide = 0;
            for ($s = 1; $s <= count($slides); $s++) {
                if ($best[$s - 1] > $top) {
                    $top = $best[$s - 1];
                    $topSlide = $s - 1;
                }
                if ($top + $bonus > $next[$s]) {
                    $next[$s] = $top + $bonus;
                    $came[$s] = $topSlide;
                }
                $next[$s] += self::shared($place, $slideWords[$s - 1], $weights);
            }
            $best = $next;
            $cameFrom[$p] = $came;
        }

        return self::ties($places, $slides, $slideWords, $weights, $cameFrom, (int) array_search(max($best), $best, true));
    }

    /**
     * @param  list<Place>  $places
     * @param  list<Page>  $slides
     * @param  list<array<string, int>>  $slideWords
     * @param  array<string, float>  $weights
     * @param  array<int, array<int, int>>  $cameFrom
     * @return list<Tie>
     */
    private static function ties(
        array $places,
        array $slides,
        array $slideWords,
        array $weights,
        array $cameFrom,
        int $last,
    ): array {
        $ties = [];
        $run = [];
        for ($p = count($places) - 1, $slide = $last; $p >= 0 && $slide > 0; $p--) {
            $run[] = $places[$p];
            $before = $cameFrom[$p][$slide];
            if ($before !== $slide) {
                $ties[] = new Tie(
                    $slides[$slide - 1]->id,
                    $places[$p]->section,
                    $places[$p]->line,
                    self::reasons($run, $slideWords[$slide - 1], $weights),
                );
                $run = [];
                $slide = $before;
            }
        }

        return array_reverse($ties);
    }

    /**
     * @param  list<Place>  $run
     * @param  array<string, int>  $slide
     * @param  array<string, float>  $weights
     * @return list<string> the shared words that weigh most
     */
    private static function reasons(array $run, array $slide, array $weights): array
    {
        $shared = [];
        foreach ($run as $place) {
            foreach (array_intersect_key($place->words, $slide) as $stem => $word) {
                $shared[$stem] = [$weights[$stem] ?? 0.0, $word];
            }
        }
        $shared = array_filter($shared, fn (array $s): bool => $s[0] > 0.5);
        uasort($shared, fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_slice(array_column(array_values($shared), 1), 0, self::REASONS);
    }

    /**
     * @param  array<string, int>  $slide
     * @param  array<string, float>  $weights
     */
    private static function shared(Place $place, array $slide, array $weights): float
    {
        $worth = 0.0;
        foreach ($place->words as $stem => $word) {
            if (isset($slide[$stem])) {
                $worth += ($weights[$stem] ?? 0.0) * (isset($place->headingWords[$stem]) ? self::HEADING : 1.0);
            }
        }

        return $worth;
    }

    /**
     * A word on every slide or in every section tells nothing.
     *
     * @param  list<Place>  $places
     * @param  list<Page>  $slides
     * @return array<string, float>
     */
    private static function weights(array $places, array $slides): array
    {
        $onSlides = $inSections = [];
        foreach ($slides as $slide) {
            foreach (self::words($slide->name.' '.$slide->text) as $stem => $_) {
                $onSlides[$stem] = ($onSlides[$stem] ?? 0) + 1;
            }
        }
        foreach ($places as $place) {
            foreach ($place->words as $stem => $_) {
                $inSections[$stem][$place->section] = true;
            }
        }
        $sections = 1 + max([0, ...array_map(fn (Place $p): int => $p->section, $places)]);
        $weights = [];
        foreach ($onSlides as $stem => $slidesWith) {
            $sectionsWith = count($inSections[$stem] ?? []);
            $weights[$stem] =
                $sectionsWith === 0 ? 0.0 : log(1 + count($slides) / $slidesWith) * log(1 + $sections / $sectionsWith) - 0.48;
        }

        return array_map(fn (float $w): float => max(0.0, $w), $weights);
    }

    /** @return array<string, int> */
    private static function words(string $text): array
    {
        return array_flip(array_map(self::stem(...), Words::of($text)));
    }

    /** Without the commonest endings of English, so that "tides" finds "tide". */
    public static function stem(string $word): string
    {
        return mb_strlen($word) <= 3 ? $word : (string) preg_replace('/(?:\'s|(?<=s|x|ch|sh)es|(?<!s)s|ing|ed)$/u', '', $word);
    }
}
