<?php

declare(strict_types=1);

namespace Tests\Core\Picture;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\Zoom;
use OpenReel\Core\Script\ZoomCue;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A part of the stage that fills its place. */
final class ZoomTest extends TestCase
{
    public function test_it_goes_the_way_that_the_browser_goes(): void
    {
        $examples = json_decode((string) file_get_contents(__DIR__.'/../../examples/zoom.json'), true);
        foreach ($examples as ['from' => $from, 'to' => $to, 'frames' => $frames, 'at' => $at]) {
            foreach ($at as [$frame, $part]) {
                $now = (new Crop(...$from))->towards(new Crop(...$to), Ease::Soft->at($frame / $frames));
                self::assertEqualsWithDelta($part, array_values($now->toArray()), 1e-4);
            }
        }
    }

    /** @param  list<float>|null  $part  left, top and width; null for all of it */
    #[TestWith(['20 10 40', [0.2, 0.1, 0.4], 800])]
    #[TestWith(['20% 10.5% 40%, 2 s', [0.2, 0.105, 0.4], 2000])]
    #[TestWith(['90 90 40, 0 s', [0.6, 0.6, 0.4], 0])]
    #[TestWith(['50 50 1', [0.5, 0.5, 0.1], 800])]
    #[TestWith(['0 0 100', null, 800])]
    #[TestWith(['OUT, 99 s', null, 5000])]
    public function test_its_cue_is_read(string $value, ?array $part, int $milliseconds): void
    {
        $cue = ZoomCue::parse($value);
        self::assertNotNull($cue);
        self::assertSame($milliseconds, $cue->milliseconds);
        self::assertEquals($part === null ? null : new Crop($part[0], $part[1], $part[2], $part[2]), $cue->part);
    }

    #[TestWith([''])]
    #[TestWith(['20 10'])]
    #[TestWith(['20 10 40 40'])]
    #[TestWith(['20 10 wide'])]
    #[TestWith(['out, soon'])]
    #[TestWith(['20 10 40, 1 s, 2 s'])]
    #[TestWith(['1e9 0 {}'])]
    public function test_what_is_no_zoom_is_none(string $value): void
    {
        self::assertNull(ZoomCue::parse($value));
    }

    public function test_the_stage_and_what_is_drawn_over_it_go_together_and_the_rest_stays(): void
    {
        $still = new Still(StillKind::Slide, 's', Shape::of(1920, 1080), 'hash');
        $part = new Crop(0.5, 0.25, 0.5, 0.5);
        $picture = Picture::of(
            FrameSize::of(1280, 720),
            Layout::SlideAlone,
            new Inset(),
            $still,
            null,
            marks: [new Annotation(new Box(0.1, 0.1, 0.2, 0.2), 0, 10)],
            zoom: new Zoom($part, 12),
        );
        self::assertCount(2, $picture->layers);
        self::assertInstanceOf(AnnotationLayer::class, $picture->layers[1]->source);
        foreach ($picture->layers as $layer) {
            self::assertSame($part, $layer->crop);
            self::assertSame(12, $layer->motion?->frames);
            self::assertEquals(Crop::whole(), $layer->motion->part);
            self::assertFalse($layer->stands());
        }
    }

    public function test_parts_of_parts_are_parts_of_the_whole(): void
    {
        $area = new Crop(0.2, 0.1, 0.5, 0.8);
        $part = new Crop(0.5, 0.25, 0.5, 0.5);
        self::assertEquals(new Crop(0.45, 0.3, 0.25, 0.4), $area->part($part));
        self::assertEquals($part, $area->part($part)->within($area));
        self::assertSame($part, $part->within(null));
    }
}
