<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Edge;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EdgeTest extends TestCase
{
    /** @return iterable<string, array{FrameSize, Shape, InsetShape, InsetBorder}> */
    public static function insets(): iterable
    {
        foreach ([[1920, 1080], [1080, 1080], [1080, 1920], [960, 720]] as [$width, $height]) {
            foreach ([[16, 9], [4, 3], [1, 1], [9, 16]] as [$w, $h]) {
                foreach (InsetShape::cases() as $shape) {
                    foreach (array_keys(InsetBorder::WIDTHS) as $border) {
                        yield "{$width}x{$height} {$w}:{$h} {$shape->value} {$border}" => [
                            FrameSize::of($width, $height),
                            Shape::of($w * 80, $h * 80),
                            $shape,
                            new InsetBorder($border),
                        ];
                    }
                }
            }
        }
    }

    #[DataProvider('insets')]
    public function test_every_inset_is_cut_out_and_edged_within_its_rectangle(
        FrameSize $frame,
        Shape $camera,
        InsetShape $shape,
        InsetBorder $border,
    ): void {
        $inset = new Inset(Corner::TopLeft, InsetSize::Large, $shape, $border);
        $rect = $inset->rect($frame, $camera);
        $cut = Edge::of($inset, $rect, $frame);

        self::assertSame($shape === InsetShape::Rectangle && $border->width === 'none', $cut === null);
        self::assertSame(0, ($rect->width % 2) + ($rect->height % 2));
        if ($shape === InsetShape::Circle) {
            self::assertSame($rect->width, $rect->height);
            self::assertSame(intdiv($rect->width, 2), $cut?->radius);
        }
        self::assertLessThanOrEqual(min($rect->width, $rect->height) / 2, $cut->radius ?? 0);
        self::assertTrue($border->width === 'none' || ($cut->border ?? 0) >= 2);
    }

    public function test_a_border_is_as_wide_at_every_frame_size_as_the_frame_is_large(): void
    {
        self::assertSame(
            [3, 9, 17],
            [
                (new InsetBorder('thin'))->pixels(FrameSize::of(1920, 1080)),
                (new InsetBorder('thick'))->pixels(FrameSize::of(1920, 1080)),
                (new InsetBorder('thick'))->pixels(FrameSize::of(3840, 2160)),
            ],
        );
        self::assertSame(2, (new InsetBorder('thin'))->pixels(FrameSize::of(720, 720)));
        self::assertSame(0, (new InsetBorder())->pixels(FrameSize::of(720, 720)));
    }

    public function test_mask_and_border_are_drawings_of_the_insets_size(): void
    {
        $frame = FrameSize::of(1280, 720);
        $inset = new Inset(shape: InsetShape::Rounded, border: new InsetBorder('thick', 'FF0000'));
        $rect = $inset->rect($frame, Shape::of(1280, 720));
        $cut = Edge::of($inset, $rect, $frame);
        $mask = simplexml_load_string((string) $cut?->maskSvg($rect));
        $border = simplexml_load_string((string) $cut?->borderSvg($rect));

        self::assertNotFalse($mask);
        self::assertNotFalse($border);
        self::assertSame([(string) $rect->width, (string) $rect->height], [(string) $mask['width'], (string) $mask['height']]);
        self::assertSame('#FF0000', (string) $border->rect['stroke']);
        // The stroke is centred on its path: half its width inside the edge, it ends at the edge.
        self::assertNotNull($cut);
        self::assertSame($cut->border, (int) $border->rect['stroke-width']);
        self::assertSame((string) ($cut->border / 2), (string) $border->rect['x']);
        self::assertSame((string) ($rect->width - $cut->border), (string) $border->rect['width']);
    }

    public function test_only_an_inset_is_cut_out(): void
    {
        $inset = new Inset(shape: InsetShape::Circle);
        $frame = FrameSize::of(1280, 720);
        $edges = fn (Layout $layout): array => array_column(
            Picture::of(
                $frame,
                $layout,
                $inset,
                new Still(StillKind::Slide, 's', Shape::of(16, 9), 'h'),
                TrackAt::live(TrackKind::Camera, Shape::of(16, 9)),
            )->layers,
            'edge',
        );

        self::assertSame([null, null], [$edges(Layout::CameraAlone)[0], $edges(Layout::SlideAlone)[0]]);
        [$slide, $camera] = $edges(Layout::SlideWithInset);
        self::assertNull($slide);
        self::assertSame(
            ['radius' => intdiv($inset->rect($frame, Shape::of(16, 9))->width, 2), 'border' => 0,
                'colour' => 'FFFFFF', 'shadow' => 0, 'drop' => 0, 'shade' => 0.45],
            $camera?->toArray(),
        );
    }
}
