<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeContent;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;

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
                fn (array $s, int $i): SectionInput => self::section("s{$i}", $s[0], $s[1]),
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
    ): SectionInput {
        $passages =
            $used === null
                ? []
                : [
                    new Passage(
                        self::take("take-{$id}", $used, camera: $camera ?? Shape::of(640, 480), files: $id),
                        self::span(...$used),
                    ),
                ];

        return new SectionInput(
            $id,
            $heading,
            new ShotStyle($layout, new Inset(), Stage::slide(self::slide("slide-{$id}"))),
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
     * @param  list<TakeAnnotation>  $marks
     */
    public static function take(
        string $id,
        array $used,
        array $lines = [],
        ?Shape $camera = null,
        ?string $files = null,
        int $cameraLater = 0,
        array $marks = [],
    ): TakeView {
        $files ??= $id;
        $tracks = [new RecordedTrack(TrackKind::Microphone, "sound-{$files}", Tick::of(10_000_000), Tick::zero(), loudness: -20.0)];
        if ($camera !== null) {
            $tracks[] = new RecordedTrack(TrackKind::Camera, "media-{$files}", Tick::of(10_000_000), Tick::of($cameraLater), $camera);
        }

        return self::view($id, 1, $tracks, self::span(...$used), array_map(Tick::of(...), $lines), new TakeContent(annotations: $marks));
    }

    /**
     * A take as a film sees it.
     *
     * @param  list<RecordedTrack>  $tracks
     * @param  array<string, Tick>  $starts  of its lines
     * @param  TakeContent  $content  of it, without its tracks
     * @param  list<WordAnchor>  $anchors
     */
    public static function view(
        string $id,
        int $number,
        array $tracks,
        Span $used,
        array $starts = [],
        TakeContent $content = new TakeContent(),
        array $anchors = [],
    ): TakeView {
        return new TakeView(
            $id,
            'section',
            $number,
            Tick::of(10_000_000),
            used: [$used],
            timings: new LineTimings($starts, anchors: $anchors),
            content: new TakeContent(...['tracks' => $tracks] + get_object_vars($content)),
        );
    }

    /**
     * A take as coverage sees it: 1,000 ticks long.
     *
     * @param  list<Span>  $used
     * @param  list<SpokenLine>  $lines
     * @param  array<string, Tick>  $cuts  by line id
     * @param  list<string>  $flawed  ids of lines
     */
    public static function covering(
        string $id,
        string $section,
        int $number,
        Verdict $verdict,
        int $order,
        array $used,
        array $lines = [],
        array $cuts = [],
        array $flawed = [],
        TakeState $state = TakeState::Ready,
    ): TakeView {
        return new TakeView(
            $id, $section, $number, Tick::of(1_000), $state, $verdict, $order, $used, $lines,
            new LineTimings(cuts: $cuts), array_fill_keys($flawed, true),
        );
    }
}
