<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PictureError;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PictureTest extends TestCase
{
    private const FRAMES = [[1920, 1080], [1280, 720], [1024, 768], [1080, 1080], [1080, 1920]];

    private const CAMERAS = [
        '16:9' => [1280, 720],
        '4:3' => [640, 480],
        'square' => [720, 720],
        'portrait' => [720, 1280],
        'odd' => [853, 481],
        'strip' => [4000, 300],
    ];

    /** @return iterable<string, array{FrameSize, Inset, Shape}> */
    public static function insets(): iterable
    {
        foreach (self::FRAMES as [$width, $height]) {
            foreach (self::CAMERAS as $name => $camera) {
                foreach (Corner::cases() as $corner) {
                    foreach (InsetSize::cases() as $size) {
                        yield "{$width}x{$height} {$name} {$corner->value} {$size->value}" => [
                            FrameSize::of($width, $height),
                            new Inset($corner, $size),
                            Shape::of(...$camera),
                        ];
                    }
                }
            }
        }
    }

    #[DataProvider('insets')]
    public function test_every_inset_is_even_and_inside_the_safe_margin(FrameSize $frame, Inset $inset, Shape $camera): void
    {
        $rect = $inset->rect($frame, $camera);
        $margin = 0.035 * min($frame->width, $frame->height);

        foreach ($rect->toArray() as $side => $value) {
            self::assertSame(0, $value % 2, $side);
        }
        self::assertGreaterThan(0, $rect->width);
        self::assertGreaterThan(0, $rect->height);
        self::assertGreaterThanOrEqual($margin, $rect->x);
        self::assertGreaterThanOrEqual($margin, $rect->y);
        self::assertLessThanOrEqual($frame->width - $margin, $rect->x + $rect->width);
        self::assertLessThanOrEqual($frame->height - $margin, $rect->y + $rect->height);
        self::assertSame($inset->corner->isLeft(), $rect->x + $rect->width / 2 < $frame->width / 2);
        self::assertSame($inset->corner->isTop(), $rect->y + $rect->height / 2 < $frame->height / 2);
    }

    public function test_worked_insets(): void
    {
        $frame = FrameSize::of(1920, 1080);
        $medium = new Inset(Corner::BottomRight, InsetSize::Medium);

        // 24 % of 1920 is 460.8; margin 4 % of 1080 is 43.2.
        self::assertEquals(
            new PixelRect(1920 - 44 - 460, 1080 - 44 - 258, 460, 258),
            $medium->rect($frame, Shape::of(1280, 720)),
        );
        // The same area at 4:3: sqrt(460.8 x 259.2 x 4/3) = 399.1.
        self::assertEquals(new PixelRect(1920 - 44 - 400, 1080 - 44 - 300, 400, 300), $medium->rect($frame, Shape::of(640, 480)));
        // A portrait camera is cropped to 3:4.
        self::assertEquals(new PixelRect(44, 44, 300, 400), (new Inset(Corner::TopLeft))->rect($frame, Shape::of(720, 1280)));
    }

    public function test_a_slide_is_shown_whole(): void
    {
        $frame = FrameSize::of(1920, 1080);

        self::assertEquals(new PixelRect(0, 0, 1920, 1080), PixelRect::contained(16 / 9, $frame));
        self::assertEquals(new PixelRect(240, 0, 1440, 1080), PixelRect::contained(4 / 3, $frame));
        self::assertEquals(new PixelRect(0, 60, 1920, 960), PixelRect::contained(2.0, $frame));
        self::assertEquals(new PixelRect(0, 656, 1080, 608), PixelRect::contained(16 / 9, FrameSize::of(1080, 1920)));
    }

    public function test_a_camera_alone_fills_the_frame_unless_too_much_would_be_lost(): void
    {
        $frame = FrameSize::of(1280, 720);
        $plan = fn (int $w, int $h): PixelRect => Picture::of(
            $frame,
            Layout::CameraAlone,
            new Inset(),
            null,
            TrackAt::live(TrackKind::Camera, Shape::of($w, $h)),
        )->layers[0]->rect;

        self::assertEquals(new PixelRect(0, 0, 1280, 720), $plan(1920, 1080));
        self::assertEquals(new PixelRect(0, 0, 1280, 720), $plan(640, 480));
        self::assertEquals(new PixelRect(280, 0, 720, 720), $plan(500, 500));
        self::assertEquals(new PixelRect(438, 0, 406, 720), $plan(720, 1280));
    }

    public function test_what_is_missing_falls_back_to_what_can_be_shown(): void
    {
        $shows = fn (Layout $wish, bool $slide, bool $camera): array => array_map(
            fn (Layer $l): string => $l->source instanceof Still ? 'slide' : 'camera '.$l->fit->value,
            Picture::of(
                FrameSize::of(1280, 720),
                $wish,
                new Inset(),
                $slide ? new Still(StillKind::Slide, 's', Shape::of(800, 600), 'h') : null,
                $camera ? TrackAt::live(TrackKind::Camera, Shape::of(640, 480)) : null,
            )->layers,
        );

        self::assertSame(['camera filled'], $shows(Layout::SlideWithInset, false, true));
        self::assertSame(['slide'], $shows(Layout::CameraAlone, true, false));
        self::assertSame(['slide', 'camera filled'], $shows(Layout::SlideWithInset, true, true));
        self::assertSame([], $shows(Layout::SlideWithInset, false, false));
        self::assertSame(['slide'], $shows(Layout::SlideAlone, true, true));
        self::assertSame(['camera filled'], $shows(Layout::CameraAlone, true, true));
    }

    public function test_odd_frames_and_empty_pictures_are_refused(): void
    {
        foreach ([fn () => FrameSize::of(1281, 720), fn () => FrameSize::of(0, 720), fn () => Shape::of(0, 10)] as $make) {
            try {
                $make();
                self::fail('Nothing was refused.');
            } catch (PictureError $problem) {
                self::assertNotSame('', $problem->getMessage());
            }
        }
    }
}
