<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Analysis\CameraRequest;
use OpenReel\Core\Analysis\Framing;
use OpenReel\Core\Picture\CameraLook;
use OpenReel\Core\Picture\PictureFlag;
use PHPUnit\Framework\TestCase;

final class CameraLookTest extends TestCase
{
    public function test_a_presenter_who_moves_is_no_reason_to_warn(): void
    {
        $look = self::presenter(0.5, 0.5);

        self::assertSame([], $look->flags());
        self::assertEqualsWithDelta(120, $look->brightness, 25);
        self::assertEqualsWithDelta(2.0, $look->blue, 0.01);
        self::assertEqualsWithDelta(-3.0, $look->red, 0.01);
    }

    public function test_a_closed_cover_is_black_from_where_it_is_closed(): void
    {
        $black = str_repeat(chr(8), CameraLook::CELLS).str_repeat(chr(128), 2 * CameraLook::CELLS);
        $look = CameraLook::of([...self::pictures(0.5, 0.5, 8), ...array_fill(0, 6, $black)]);

        self::assertNotNull($look);
        self::assertSame([PictureFlag::Black], $look->flags());
        self::assertSame([4.0, 7.0], [$look->black[0]->from->seconds(), $look->black[0]->until->seconds()]);
        self::assertGreaterThan(90, $look->brightness, 'what is black does not count');
    }

    public function test_a_blink_is_not_black_for_long_enough(): void
    {
        $black = str_repeat("\0", CameraLook::CELLS).str_repeat(chr(128), 2 * CameraLook::CELLS);
        $look = CameraLook::of([...self::pictures(0.5, 0.5, 8), $black, $black, ...self::pictures(0.5, 0.5, 4)]);

        self::assertSame([], $look?->flags());
    }

    public function test_a_picture_that_stands_is_frozen(): void
    {
        $pictures = self::pictures(0.5, 0.5, 10);
        $look = CameraLook::of([...$pictures, ...array_fill(0, 7, $pictures[9])]);

        self::assertNotNull($look);
        self::assertSame([PictureFlag::Frozen], $look->flags());
        self::assertSame(4.5, $look->frozen[0]->from->seconds());
        self::assertSame(8.5, $look->frozen[0]->until->seconds());
    }

    public function test_it_comes_back_from_plain_values(): void
    {
        $black = str_repeat(chr(8), CameraLook::CELLS).str_repeat(chr(128), 2 * CameraLook::CELLS);
        $pictures = self::pictures(0.5, 0.4, 8);
        $look = CameraLook::of([...$pictures, ...array_fill(0, 6, $black), ...array_fill(0, 8, $pictures[3])]);
        self::assertNotNull($look);
        self::assertNotSame([[], []], [$look->black, $look->frozen]);
        $json = json_encode($look->toArray(), JSON_PRESERVE_ZERO_FRACTION);
        self::assertEquals($look, CameraLook::parse(json_decode((string) $json, true)));
    }

    public function test_an_order_to_look_tells_apart_whatever_is_seen_otherwise(): void
    {
        $order = new CameraRequest(str_repeat('a', 64), 'pc', 'bt709', 720);
        self::assertEquals($order, new CameraRequest(...$order->toArray()));
        $keys = [
            $order->key('5.1'),
            $order->key('6.0'),
            (new CameraRequest(str_repeat('b', 64), 'pc', 'bt709', 720))->key('5.1'),
            (new CameraRequest(str_repeat('a', 64), null, 'bt709', 720))->key('5.1'),
            (new CameraRequest(str_repeat('a', 64), 'pc', null, 480))->key('5.1'),
        ];
        self::assertCount(5, array_unique($keys));
        self::assertSame('in_range=pc:in_color_matrix=bt709', $order->colour()->asInput());
    }

    public function test_without_pictures_nothing_is_known(): void
    {
        self::assertNull(CameraLook::of([]));
    }

    public function test_who_sits_where_they_sat_has_not_moved(): void
    {
        self::assertNull(Framing::changed(self::presenter(0.5, 0.5), self::presenter(0.5, 0.5)));
        self::assertNull(Framing::changed(self::presenter(0.5, 0.5), self::presenter(0.53, 0.5)), 'a little is not seen');
        self::assertNull(Framing::changed(self::presenter(0.5, 0.5), self::presenter(0.5, 0.5, 30)), 'another light');
    }

    public function test_who_sits_elsewhere_is_found_there(): void
    {
        $moved = Framing::changed(self::presenter(0.4, 0.5), self::presenter(0.6, 0.5));

        self::assertNotNull($moved);
        self::assertEqualsWithDelta(0.2, $moved->across, 0.05);
        self::assertEqualsWithDelta(0.0, $moved->down, 0.06);
    }

    public function test_who_sits_nearer_is_larger(): void
    {
        $nearer = Framing::changed(self::presenter(0.5, 0.5), self::presenter(0.5, 0.5, 0, 1.25));

        self::assertNotNull($nearer);
        self::assertGreaterThan(1.1, $nearer->size);
    }

    public function test_where_nobody_moves_nobody_is_looked_for(): void
    {
        $wall = CameraLook::of(array_fill(0, 4, self::picture(fn (): int => 120)));

        self::assertNotNull($wall);
        self::assertNull(Framing::changed($wall, self::presenter(0.5, 0.5)));
    }

    private static function presenter(float $x, float $y, int $brighter = 0, float $size = 1.0): CameraLook
    {
        return CameraLook::of(self::pictures($x, $y, 12, $brighter, $size)) ?? throw new \LogicException('there are pictures');
    }

    /**
     * A dark head on light shoulders before a wall, nodding a little.
     *
     * @return list<string>
     */
    private static function pictures(float $x, float $y, int $count, int $brighter = 0, float $size = 1.0): array
    {
        return array_map(
            fn (int $i): string => self::picture(function (int $column, int $row) use ($x, $y, $i, $brighter, $size): int {
                $across = ($column + 0.5 - 32 * $x - 1.2 * sin($i * 1.1)) / $size;
                $down = ($row + 0.5 - 18 * $y + 1 - 0.8 * sin($i * 1.7)) / $size;
                $wall = 120 + $column;

                return $brighter + match (true) {
                    hypot($across, $down) < 3 => 50,
                    $down >= 3 && abs($across) < 6 => 200,
                    default => $wall,
                };
            }),
            range(0, $count - 1),
        );
    }

    /** @param  callable(int, int): int  $cell */
    private static function picture(callable $cell): string
    {
        $picture = '';
        for ($i = 0; $i < CameraLook::CELLS; $i++) {
            $picture .= chr($cell($i % CameraLook::WIDTH, intdiv($i, CameraLook::WIDTH)));
        }

        return $picture.str_repeat(chr(130), CameraLook::CELLS).str_repeat(chr(125), CameraLook::CELLS);
    }
}
