<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\CameraLook;
use PHPUnit\Framework\TestCase;

final class AdjustmentTest extends TestCase
{
    public function test_nothing_changed_is_nothing_and_too_much_is_the_most(): void
    {
        self::assertNull(Adjustment::of());
        self::assertNull(Adjustment::parse(null));
        self::assertNull(Adjustment::parse(['brightness' => 'much']));
        self::assertSame(50, Adjustment::of(brightness: 900)?->brightness);
        self::assertEquals(Adjustment::of(1, -2, 3, -4), Adjustment::parse(Adjustment::of(1, -2, 3, -4)?->toArray()));
    }

    public function test_each_part_does_what_it_says(): void
    {
        $of = fn (?Adjustment $a, float $r, float $g, float $b): array => array_map(
            fn (array $row): float => round($row[0] * $r + $row[1] * $g + $row[2] * $b + $row[3], 3),
            $a?->matrix() ?? [],
        );

        self::assertSame([0.6, 0.6, 0.6], $of(Adjustment::of(brightness: 20), 0.5, 0.5, 0.5));
        // Contrast turns about the middle.
        self::assertSame([0.5, 0.5, 0.5], $of(Adjustment::of(contrast: 50), 0.5, 0.5, 0.5));
        self::assertSame([0.66, 0.5, 0.34], $of(Adjustment::of(contrast: 50), 0.6, 0.5, 0.4));
        self::assertSame([0.6, 0.5, 0.4], $of(Adjustment::of(warmth: 50), 0.5, 0.5, 0.5));
        // Without saturation a colour is as grey as it is bright.
        self::assertSame([0.213, 0.213, 0.213], $of(Adjustment::of(saturation: -50), 1.0, 0.0, 0.0));
        self::assertSame([0.5, 0.5, 0.5], $of(Adjustment::of(saturation: 50), 0.5, 0.5, 0.5));
    }

    public function test_a_camera_is_made_like_those_beside_it(): void
    {
        $look = fn (float $brightness, float $blue, float $red): CameraLook => new CameraLook($brightness, $blue, $red, [], []);
        $same = Adjustment::matching($look(120, 0, 0), $look(120, 0, 0));
        $dark = Adjustment::matching($look(100, 0, 0), $look(110, 0, 0), $look(130, 0, 0));
        $blue = Adjustment::matching($look(120, 4, -4), $look(120, 0, 0));

        self::assertNull($same);
        self::assertNull(Adjustment::matching($look(100, 0, 0)), 'nobody is beside it');
        self::assertSame([16, 0], [$dark?->brightness, $dark?->warmth]);
        self::assertSame(0, $blue?->brightness);
        self::assertGreaterThan(5, $blue->warmth);
        // Twenty steps brighter is what was missing.
        self::assertEqualsWithDelta(20 / 255, $dark?->matrix()[0][3] ?? 0.0, 0.002);
    }
}
