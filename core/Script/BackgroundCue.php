<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What a background cue says: what lies behind slide and camera from there on. */
final readonly class BackgroundCue
{
    /**
     * @param  string|null  $colour  RRGGBB, or one of the style's by its name; where a gradient goes to
     * @param  string|null  $slide  the picture of that name
     */
    private function __construct(public bool $isUsual, public bool $isGradient, public ?string $colour, public ?string $slide)
    {
    }

    /**
     * `usual`, `gradient`, `gradient, accent`, a colour, or a slide's name.
     *
     * @return self|null null when it says nothing
     */
    public static function parse(string $value): ?self
    {
        $said = strtolower(trim($value));
        [$word, $colour] = [...array_map(trim(...), explode(',', $said, 2)), null];
        $isColour = fn (?string $word): bool => $word !== null && Options::isColour($word);

        return match (true) {
            $said === '' => null,
            $said === 'usual' => new self(true, false, null, null),
            $word === 'gradient' && ($colour === null || $isColour($colour)) => new self(false, true, $colour, null),
            $isColour($said) => new self(false, false, $said, null),
            default => new self(false, false, null, trim($value)),
        };
    }
}
