<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Picture\Crop;

/** What a zoom cue says: which part of the stage fills its place from there on, and how long the way there takes. */
final readonly class ZoomCue
{
    /** Per cent of the stage's width: nearer, a slide has no more to show. */
    private const LEAST = 10.0;

    private const LONGEST_MS = 5_000;

    private const USUAL_MS = 800;

    /** @param  Crop|null  $part  null for all of the stage */
    public function __construct(public ?Crop $part, public int $milliseconds = self::USUAL_MS)
    {
    }

    /**
     * `20 10 40`: left and top edge and width in per cent of the stage's picture, whose shape it keeps; or `out`. Behind a comma
     * the length. What reaches out of the picture is moved into it.
     *
     * @return self|null null when it says neither
     */
    public static function parse(string $value): ?self
    {
        $parts = array_map(trim(...), explode(',', strtolower($value)));
        $length = Length::milliseconds($parts[1] ?? null, self::USUAL_MS);
        $numbers = Percents::parse($parts[0], 3);
        if ($length === null || count($parts) > 2 || $numbers === null && $parts[0] !== 'out') {
            return null;
        }
        if ($numbers === null) {
            return new self(null, min(self::LONGEST_MS, $length));
        }
        $size = max(self::LEAST, min(100.0, $numbers[2])) / 100;
        $at = fn (float $percent): float => round(max(0.0, min(1 - $size, $percent / 100)), 5);
        $part = $size >= 1.0 ? null : new Crop($at($numbers[0]), $at($numbers[1]), $size, $size);

        return new self($part, min(self::LONGEST_MS, $length));
    }
}
