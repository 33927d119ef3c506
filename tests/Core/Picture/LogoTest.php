<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\PictureError;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LogoTest extends TestCase
{
    /** @return iterable<string, array{FrameSize, Shape, Corner, InsetSize}> */
    public static function logos(): iterable
    {
        foreach ([[1920, 1080], [1080, 1080], [720, 1280]] as [$width, $height]) {
            foreach ([[1, 1], [8, 1], [1, 8]] as [$w, $h]) {
                foreach (Corner::cases() as $corner) {
                    foreach (InsetSize::cases() as $size) {
                        yield "{$width}x{$height} {$w}:{$h} {$corner->value} {$size->value}" => [
                            FrameSize::of($width, $height),
                            Shape::of($w * 100, $h * 100),
                            $corner,
                            $size,
                        ];
                    }
                }
            }
        }
    }

    #[DataProvider('logos')]
    public function test_a_logo_stands_even_and_whole_in_its_corner(
        FrameSize $frame,
        Shape $shape,
        Corner $corner,
        InsetSize $size,
    ): void {
        $rect = (new LogoPlacement('hash', $shape, $corner, $size))->rect($frame);

        self::assertSame(0, ($rect->x % 2) + ($rect->y % 2) + ($rect->width % 2) + ($rect->height % 2));
        self::assertLessThanOrEqual(0.31 * $frame->width, $rect->width);
        self::assertLessThanOrEqual(0.31 * $frame->height, $rect->height);
        self::assertGreaterThan(0, $rect->x);
        self::assertGreaterThan(0, $rect->y);
        self::assertLessThan($frame->width, $rect->x + $rect->width);
        self::assertLessThan($frame->height, $rect->y + $rect->height);
        self::assertSame($corner->isLeft(), $rect->x < $frame->width / 2);
        self::assertSame($corner->isTop(), $rect->y < $frame->height / 2);
        self::assertEqualsWithDelta($shape->aspect(), $rect->width / $rect->height, 0.12 * $shape->aspect());
    }

    public function test_larger_is_larger(): void
    {
        $widths = array_map(
            fn (InsetSize $size): int => (new LogoPlacement('hash', Shape::of(2, 1), size: $size))->rect(FrameSize::of(1920, 1080))->width,
            InsetSize::cases(),
        );

        self::assertSame([128, 194, 274], $widths);
    }

    public function test_rectangles_that_only_touch_do_not_overlap(): void
    {
        $one = new PixelRect(0, 0, 10, 10);

        self::assertTrue($one->overlaps(new PixelRect(8, 8, 10, 10)));
        self::assertTrue($one->overlaps(new PixelRect(2, 2, 2, 2)));
        self::assertFalse($one->overlaps(new PixelRect(10, 0, 10, 10)));
        self::assertFalse($one->overlaps(new PixelRect(0, 12, 10, 10)));
    }

    public function test_colours_are_read_with_and_without_the_sign(): void
    {
        self::assertSame('0B5D66', Colour::of('#0b5d66')->hex);
        self::assertSame('FFFFFF', Colour::of(' ffffff ')->hex);
    }

    public function test_a_colour_drawn_by_bt601_has_the_numbers_of_bt709(): void
    {
        self::assertSame('808080', Colour::of('808080')->drawnAs601()->hex);
        $hex = Colour::of('0B5D66')->drawnAs601()->hex;
        [$r, $g, $b] = array_map(fn (string $pair): float => (float) hexdec($pair), str_split($hex, 2));
        // Luma of BT.601 against 0.2126 R + 0.7152 G + 0.0722 B of #0B5D66, which is 76.2.
        self::assertEqualsWithDelta(76.2, 0.299 * $r + 0.587 * $g + 0.114 * $b, 0.7);
    }

    #[TestWith([''])]
    #[TestWith(['#fff'])]
    #[TestWith(['red'])]
    #[TestWith(['#12345g'])]
    public function test_what_is_no_colour_is_refused(string $text): void
    {
        $this->expectException(PictureError::class);
        Colour::of($text);
    }

    public function test_contrast_is_that_of_the_accessibility_guidelines(): void
    {
        self::assertEqualsWithDelta(21.0, Colour::of('000000')->contrast(Colour::of('FFFFFF')), 0.001);
        self::assertEqualsWithDelta(1.0, Colour::of('0B5D66')->contrast(Colour::of('0B5D66')), 0.001);
        // Grey #767676 on white is the lightest that passes at 4.5 to 1.
        self::assertEqualsWithDelta(4.54, Colour::of('767676')->contrast(Colour::of('FFFFFF')), 0.01);
    }
}
