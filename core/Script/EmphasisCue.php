<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Annotation\EmphasisLook;
use OpenReel\Core\Annotation\EmphasisShape;

/** What an emphasis cue says: what is laid over the stage and where; or that nothing is any more. */
final readonly class EmphasisCue
{
    private const LONGEST_MS = 600_000;

    /** To be drawn on for longer is to be waited for. */
    private const SLOWEST_MS = 5_000;

    /**
     * @param  EmphasisShape|null  $shape  null when all goes
     * @param  list<float>  $places  as of Emphasis, 0..1
     * @param  string|null  $colour  RRGGBB, or one of the style's by its name; null as is usual
     * @param  bool|null  $isHandDrawn  null as the style has it
     * @param  int|null  $line  width of lines as of EmphasisLook
     * @param  int  $drawnMs  in which it is drawn on
     * @param  int|null  $milliseconds  null until another cue ends it, or the stage changes
     */
    public function __construct(
        public ?EmphasisShape $shape,
        public array $places = [],
        public ?string $colour = null,
        public ?int $milliseconds = null,
        public ?bool $isHandDrawn = null,
        public ?int $line = null,
        public int $drawnMs = 0,
    ) {
    }

    /** @param  bool  $usual  whether the style has it drawn by hand */
    public function look(bool $usual): EmphasisLook
    {
        return new EmphasisLook(
            $this->isHandDrawn ?? $usual, $this->line ?? EmphasisLook::WIDTHS['medium'], $this->drawnMs,
        );
    }

    /** @return self|null null when it cannot be followed */
    public static function parse(string $value): ?self
    {
        $parts = array_map(trim(...), explode(',', strtolower(trim($value))));
        if ($parts === ['none']) {
            return new self(null);
        }
        [$word, $numbers] = [...explode(' ', $parts[0], 2), ''];
        $shape = EmphasisShape::tryFrom($word);
        $places = $shape === null ? null : Percents::parse($numbers, $shape->numbers());
        if ($shape === null || $places === null) {
            return null;
        }
        $colour = $length = $isHandDrawn = $line = null;
        $drawn = 0;
        foreach (array_slice($parts, 1) as $part) {
            $seconds = Length::milliseconds($part);
            if (Options::isColour($part)) {
                $colour = $part;
            } elseif ($part === 'hand-drawn' || $part === 'plain') {
                $isHandDrawn = $part === 'hand-drawn';
            } elseif (isset(EmphasisLook::WIDTHS[$part])) {
                $line = EmphasisLook::WIDTHS[$part];
            } elseif (preg_match('/^drawn in (.+)$/', $part, $m) === 1 && Length::milliseconds($m[1]) !== null) {
                $drawn = min(self::SLOWEST_MS, (int) Length::milliseconds($m[1]));
            } elseif ($seconds !== null && $seconds > 0) {
                $length = min(self::LONGEST_MS, $seconds);
            } else {
                return null;
            }
        }

        return new self($shape, self::inside($shape, $places), $colour, $length, $isHandDrawn, $line, $drawn);
    }

    /**
     * @param  list<float>  $percents
     * @return list<float> what reaches out of the picture is cut off, and nothing is too small to be seen
     */
    private static function inside(EmphasisShape $shape, array $percents): array
    {
        $places = array_map(fn (float $p): float => round($p / 100, 5), $percents);
        if ($shape !== EmphasisShape::Arrow) {
            foreach ([2, 3] as $side) {
                if (isset($places[$side])) {
                    $places[$side - 2] = min($places[$side - 2], 0.98);
                    $places[$side] = round(max(0.02, min($places[$side], 1 - $places[$side - 2])), 5);
                }
            }
        }

        return $places;
    }
}
