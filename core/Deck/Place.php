<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Words;

/**
 * A line of the script, as a place where a slide may come up.
 *
 * @internal of SlideTies
 */
final readonly class Place
{
    /**
     * @param  int  $section  index, from 0
     * @param  int  $line  number within the section, from 1; 1 also for a section without lines
     * @param  array<string, string>  $words  word by stem
     * @param  array<string, string>  $headingWords  those of them that stand in the heading
     */
    private function __construct(
        public int $section,
        public int $line,
        public bool $opensSection,
        public bool $opensParagraph,
        public array $words,
        public array $headingWords,
    ) {
    }

    /** @return list<self> cards are left out: they show themselves */
    public static function all(Script $script): array
    {
        $places = [];
        foreach ($script->sections as $index => $section) {
            if ($section->card() !== null) {
                continue;
            }
            $heading = self::stems($section->heading);
            if ($section->lines === []) {
                $places[] = new self($index, 1, true, true, $heading, $heading);
            }
            $paragraph = 0;
            foreach ($section->lines as $line) {
                $opens = $line->number === 1;
                $places[] = new self(
                    $index,
                    $line->number,
                    $opens,
                    $line->paragraph !== $paragraph,
                    self::stems($line->text) + ($opens ? $heading : []),
                    $opens ? $heading : [],
                );
                $paragraph = $line->paragraph;
            }
        }

        return $places;
    }

    /** @return array<string, string> */
    private static function stems(string $text): array
    {
        $stems = [];
        foreach (Words::of($text) as $word) {
            $stems[SlideTies::stem($word)] = $word;
        }

        return $stems;
    }
}
