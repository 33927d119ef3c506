<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Picture\CameraLook;

/**
 * Whether somebody sits elsewhere in one picture than in another: what moves in the first (the presenter) is looked for in the
 * second at other places and sizes, by normalised cross-correlation, so that another light makes no difference.
 */
final readonly class Framing
{
    /** Cells to either side, and up and down, that are looked at: a quarter of the picture. */
    private const ACROSS = 8;

    private const DOWN = 5;

    private const SIZES = [0.8, 0.9, 1.0, 1.11, 1.25];

    /** What moves less than this part of what moves most is background. */
    private const PRESENTER = 0.35;

    /** Grey values: where nothing moves more, nobody can be told from the wall. */
    private const MOVES = 3;

    /** The presenter is found when likeness (-1..1) reaches this... */
    private const LIKE = 0.7;

    /** ...and sits elsewhere when the other place leaves less than half of the unlikeness of the same one. */
    private const BETTER = 0.5;

    /**
     * @param  float  $across  parts of the picture's width by which the presenter sits further right
     * @param  float  $down  parts of its height by which the presenter sits lower
     * @param  float  $size  how many times as large
     */
    private function __construct(public float $across, public float $down, public float $size)
    {
    }

    /** @return self|null null when the presenter sits where they sat, or cannot be found */
    public static function changed(CameraLook $one, CameraLook $other): ?self
    {
        $presenter = self::presenter($one->moves);
        if ($presenter === null) {
            return null;
        }
        $same = self::likeness($one, $other, $presenter, 0, 0, 1.0);
        [$best, $found] = [max(self::LIKE, 1 - self::BETTER * (1 - $same)), null];
        foreach (self::SIZES as $size) {
            for ($down = -self::DOWN; $down <= self::DOWN; $down++) {
                for ($across = -self::ACROSS; $across <= self::ACROSS; $across++) {
                    $like = self::likeness($one, $other, $presenter, $across, $down, $size);
                    if ($like > $best) {
                        [$best, $found] = [$like, new self($across / CameraLook::WIDTH, $down / CameraLook::HEIGHT, $size)];
                    }
                }
            }
        }

        return $found?->isNoticed() === true ? $found : null;
    }

    /** A head that jumps by a twelfth of the picture, or is a tenth larger, is seen to jump. */
    private function isNoticed(): bool
    {
        return hypot($this->across, $this->down) >= 1 / 12 || abs($this->size - 1) > 0.1;
    }

    /** @param  list<int>  $moves */
    private static function presenter(array $moves): ?CellGroup
    {
        $most = $moves === [] ? 0 : max($moves);
        $cells = [];
        foreach ($most < self::MOVES ? [] : $moves as $i => $value) {
            if ($value >= self::PRESENTER * $most) {
                $cells[] = new PictureCell($i % CameraLook::WIDTH, intdiv($i, CameraLook::WIDTH));
            }
        }

        return CellGroup::of($cells);
    }

    /**
     * @param  CellGroup  $presenter  in the first picture
     * @return float -1..1; -1 when less than two thirds of them would be in the picture
     */
    private static function likeness(
        CameraLook $one,
        CameraLook $other,
        CellGroup $presenter,
        int $across,
        int $down,
        float $size,
    ): float {
        $n = 0;
        $a = $b = $aa = $bb = $ab = 0.0;
        foreach ($presenter->cells as $cell) {
            $u = (int) round($presenter->x + ($cell->x - $presenter->x) * $size + $across);
            $v = (int) round($presenter->y + ($cell->y - $presenter->y) * $size + $down);
            if ($u < 0 || $v < 0 || $u >= CameraLook::WIDTH || $v >= CameraLook::HEIGHT) {
                continue;
            }
            $p = $one->cells[$cell->y * CameraLook::WIDTH + $cell->x];
            $q = $other->cells[$v * CameraLook::WIDTH + $u];
            $n++;
            $a += $p;
            $b += $q;
            $aa += $p * $p;
            $bb += $q * $q;
            $ab += $p * $q;
        }
        if ($n < 2 * count($presenter->cells) / 3) {
            return -1.0;
        }
        $spread = ($aa - ($a * $a) / $n) * ($bb - ($b * $b) / $n);

        return $spread <= 0 ? -1.0 : ($ab - ($a * $b) / $n) / sqrt($spread);
    }
}
