<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Mark\TakeMark;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Take\Take;
use OpenReel\Core\Take\Track;
use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Small lessons for tests. */
final class Example
{
    /** @param  list<array{0: string, 1: array{int, int}|null}>  $sections  heading, and ticks used from and until */
    public static function assembly(array $sections, int $fps = 25): Assembly
    {
        return Assembly::of(
            FrameSize::of(1280, 720),
            FrameRate::of($fps),
            array_map(
                fn (array $s, int $i): SectionSource => self::section("s{$i}", $s[0], $s[1]),
                $sections,
                array_keys($sections),
            ),
        );
    }

    /** @param  array{int, int}|null  $used */
    public static function section(
        string $id,
        string $heading,
        ?array $used,
        Layout $layout = Layout::SlideWithInset,
        ?Shape $camera = null,
    ): SectionSource {
        $passages =
            $used === null
                ? []
                : [
                    new Passage(
                        self::take("take-{$id}", $used, camera: $camera ?? Shape::of(640, 480), files: $id),
                        self::span(...$used),
                    ),
                ];

        return new SectionSource(
            $id,
            $heading,
            new PictureChoice($layout, new Inset(), Stage::slide(self::slide("slide-{$id}"))),
            $passages,
        );
    }

    public static function slide(string $id, ?Shape $shape = null): Still
    {
        return new Still(StillKind::Slide, $id, $shape ?? Shape::of(1600, 900), "hash-{$id}");
    }

    public static function span(int $from, int $until): Span
    {
        return Span::between(Tick::of($from), Tick::of($until));
    }

    /**
     * A take with a camera and a microphone.
     *
     * @param  array{int, int}  $used
     * @param  array<string, int>  $lines  tick in the take by line
     * @param  Shape|null  $camera  null for sound only
     * @param  list<TakeMark>  $marks
     */
    public static function take(
        string $id,
        array $used,
        array $lines = [],
        ?Shape $camera = null,
        ?string $files = null,
        int $cameraLater = 0,
        array $marks = [],
    ): Take {
        $files ??= $id;
        $tracks = [new Track(TrackKind::Microphone, "sound-{$files}", Tick::of(10_000_000), Tick::zero(), loudness: -20.0)];
        if ($camera !== null) {
            $tracks[] = new Track(TrackKind::Camera, "media-{$files}", Tick::of(10_000_000), Tick::of($cameraLater), $camera);
        }

        return new Take($id, 1, $tracks, self::span(...$used), array_map(Tick::of(...), $lines), $marks);
    }
}
