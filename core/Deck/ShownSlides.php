<?php

declare(strict_types=1);

namespace OpenReel\Core\Deck;

use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;

/**
 * Which slide of the deck each slide cue means. `[slide]` is the one after the last that was shown; a name is looked for
 * without regard to case and white space, and failing that as the slide's number.
 */
final readonly class ShownSlides
{
    /**
     * @param  array<int, int|null>  $byCue  index in the deck by the byte at which the cue stands; null when there is none such
     * @param  array<string, int>  $places  index in the deck by name
     */
    private function __construct(private array $byCue, private array $places, private int $slides)
    {
    }

    /** @param  list<string>  $names  of the deck's slides, in order */
    public static function of(Script $script, array $names): self
    {
        $places = array_flip(array_map(self::key(...), array_reverse($names, true)));
        $byCue = [];
        $last = -1;
        foreach ($script->sections as $section) {
            foreach ($section->cues as $cue) {
                if ($cue->kind !== CueKind::Slide) {
                    continue;
                }
                $index = $cue->value === '' ? $last + 1 : self::place($cue->value, $places);
                $byCue[$cue->from] = isset($names[$index]) ? $index : null;
                $last = $byCue[$cue->from] ?? $last;
            }
        }

        return new self($byCue, $places, count($names));
    }

    /** @return int|null index in the deck */
    public function at(Cue $cue): ?int
    {
        return $this->byCue[$cue->from] ?? null;
    }

    /** @return int|null index in the deck of the slide that a section begins with */
    public function opening(ScriptSection $section): ?int
    {
        $slide = null;
        foreach ($section->openingCues(CueKind::Slide) as $cue) {
            $slide = $this->at($cue) ?? $slide;
        }

        return $slide;
    }

    /** @return list<int> indexes of all slides that come up, in order, each once */
    public function all(): array
    {
        return array_values(array_unique(array_filter($this->byCue, fn (?int $i): bool => $i !== null)));
    }

    /** @return int|null index in the deck of the slide of that name, or failing that of that number */
    public function named(string $name): ?int
    {
        $index = self::place($name, $this->places);

        return $index >= 0 && $index < $this->slides ? $index : null;
    }

    /** @param  array<string, int>  $places */
    private static function place(string $name, array $places): int
    {
        return $places[self::key($name)] ?? (ctype_digit($name) ? (int) $name - 1 : -1);
    }

    private static function key(string $name): string
    {
        return mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', $name)));
    }
}
