<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A cue's words with options behind them, parted by commas: words may have commas of their own. */
final readonly class Options
{
    /** Names of colours, for those of the house style. */
    private const COLOURS = ['accent', 'contrast', 'ink', 'paper'];

    private const LONGEST_MS = 600_000;

    /**
     * @param  list<float>|null  $at  numbers behind `at`, each from 0 to 100
     * @param  string|null  $colour  RRGGBB, or one of the style's by its name
     */
    private function __construct(
        public string $words,
        public ?array $at = null,
        public ?string $colour = null,
        public ?int $milliseconds = null,
    ) {
    }

    /** @param  int  $numbers  that belong to a place; 0 when it has none */
    public static function parse(string $value, int $numbers = 0): self
    {
        $parts = explode(',', $value);
        $at = $colour = $length = null;
        // From the end, until something is no option any more.
        while (count($parts) > 1) {
            $part = strtolower(trim($parts[count($parts) - 1]));
            $place = $numbers > 0 && str_starts_with($part, 'at ') ? Percents::parse(substr($part, 3), $numbers) : null;
            $seconds = Length::milliseconds($part);
            if ($place !== null && $at === null) {
                $at = $place;
            } elseif (self::isColour($part) && $colour === null) {
                $colour = $part;
            } elseif ($seconds !== null && $seconds > 0 && $length === null) {
                $length = min(self::LONGEST_MS, $seconds);
            } else {
                break;
            }
            array_pop($parts);
        }

        return new self(trim(implode(',', $parts)), $at, $colour, $length);
    }

    public static function isColour(string $text): bool
    {
        return in_array($text, self::COLOURS, true) || preg_match('/^[0-9a-f]{6}$/D', $text) === 1;
    }
}
