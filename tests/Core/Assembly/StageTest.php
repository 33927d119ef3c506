<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Annotation\TimedPoint;
use OpenReel\Core\Annotation\Tool;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CuedPages;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\SideBySide;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Take\Erasure;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeContent;
use OpenReel\Core\Take\TakeView;
use PHPUnit\Framework\TestCase;

/** What a section shows beside slides: screens, boards, the presenter alone, keys. */
final class StageTest extends TestCase
{
    public function testAScreenIsShownAsItWasRecordedAndTheCameraBesideIt(): void
    {
        $take = $this->take('t', screenOffset: 480, area: new Crop(0.25, 0.5, 0.5, 0.5));
        $shot = $this->of([$this->section('s', $take, Stage::screen('the gauge'))])->segments[0]->shots[0];
        [$screen, $camera] = $shot->picture->layers;

        self::assertInstanceOf(TrackAt::class, $screen->source);
        self::assertSame([TrackKind::Screen, 48_000 - 480], [$screen->source->kind, $screen->source->at->count]);
        self::assertSame(['x' => 0.25, 'y' => 0.5, 'width' => 0.5, 'height' => 0.5], $screen->crop?->toArray());
        self::assertSame([0, 0, 1280, 720], $this->rect($screen->rect), 'the part has the shape of the whole');
        self::assertInstanceOf(TrackAt::class, $camera->source);
        self::assertSame(TrackKind::Camera, $camera->source->kind);
    }

    public function testAFileThatBeginsBeforeItsTakeIsReadLater(): void
    {
        $take = $this->take('t', screenOffset: -960);
        $screen = $this->of([$this->section('s', $take, Stage::screen())])->segments[0]->shots[0]->picture->layers[0]->source;

        self::assertInstanceOf(TrackAt::class, $screen);
        self::assertSame([48_960, 0], [$screen->at->count, $screen->late->count]);
    }

    public function testWithoutAScreenRecordedThePresenterIsShownAlone(): void
    {
        $take = Example::take('t', [48_000, 240_000], [], Shape::of(1280, 720));
        $picture = $this->of([$this->section('s', $take, Stage::screen())])->segments[0]->shots[0]->picture;

        self::assertCount(1, $picture->layers);
        self::assertNull($picture->stageRect());
        self::assertSame([0, 0, 1280, 720], $this->rect($picture->layers[0]->rect));
    }

    public function testSideBySideBothAreAsHighAndInTheMiddle(): void
    {
        $sides = SideBySide::of(FrameSize::of(1920, 1080), Shape::of(1600, 900), Corner::BottomRight);
        self::assertSame([44, 198, 1216, 684], $this->rect($sides->stage));
        self::assertSame([1304, 198, 572, 684], $this->rect($sides->camera));

        $left = SideBySide::of(FrameSize::of(1920, 1080), Shape::of(1600, 900), Corner::TopLeft);
        self::assertLessThan($left->stage->x, $left->camera->x);

        $upright = SideBySide::of(FrameSize::of(1080, 1920), Shape::of(1600, 900), Corner::BottomRight);
        self::assertLessThan($upright->camera->y, $upright->stage->y);
        self::assertSame(1920 - 44, $upright->camera->y + $upright->camera->height);

        foreach ([$sides, $left, $upright] as $one) {
            self::assertFalse($one->stage->overlaps($one->camera));
        }
    }

    public function testSideBySideFallsBackToWhatThereIs(): void
    {
        $camera = TrackAt::live(TrackKind::Camera, Shape::of(16, 9));
        $of = fn (?Still $stage, ?TrackAt $camera): array => array_map(
            fn (Layer $l): array => $this->rect($l->rect),
            Picture::of(FrameSize::of(1920, 1080), Layout::SideBySide, new Inset(), $stage, $camera)->layers,
        );
        self::assertSame([[0, 0, 1920, 1080]], $of(null, $camera));
        self::assertSame([[0, 0, 1920, 1080]], $of(Example::slide('s', Shape::of(16, 9)), null));
    }

    public function testFramingIsNarrowedToWhereTheCameraStands(): void
    {
        $camera = TrackAt::live(TrackKind::Camera, Shape::of(1280, 720), new Crop(0.25, 0.0, 0.5, 1.0));
        [, $layer] = Picture::of(
            FrameSize::of(1920, 1080),
            Layout::SideBySide,
            new Inset(),
            Example::slide('s', Shape::of(16, 9)),
            $camera,
        )->layers;

        self::assertNotNull($layer->crop);
        self::assertEqualsWithDelta(
            $layer->rect->width / $layer->rect->height,
            $layer->crop->shape(Shape::of(1280, 720))->aspect(),
            0.01,
        );
        self::assertEqualsWithDelta(0.5, $layer->crop->x + $layer->crop->width / 2, 0.001, 'it stays in the middle');
        self::assertLessThanOrEqual(0.5, $layer->crop->width);
    }

    public function testPartsOfAPictureAreCheckedAndCutOffAtItsEdges(): void
    {
        $part = fn (mixed $x, mixed $y, mixed $w, mixed $h): ?array => Crop::parse([
            'x' => $x,
            'y' => $y,
            'width' => $w,
            'height' => $h,
        ])?->toArray();

        self::assertSame(['x' => 0.0, 'y' => 0.5, 'width' => 0.4, 'height' => 0.5], $part(-0.1, 0.5, 0.5, 7));
        self::assertNull($part(0, 0, 1, 1), 'all of it is no part');
        self::assertNull($part(0.99, 0, 1, 1));
        self::assertNull($part(0, 0, NAN, 1));
        self::assertNull($part(0, 0, 'half', 1));
        self::assertNull(Crop::parse(null));
    }

    public function testCuesSayWhatIsShown(): void
    {
        $text =
            "## One\n\n[slide] A one. [screen: the gauge] A two. [camera alone] A three. [board: 2, squared] A four.\n\n".
            "## Two\n\n[board] B one. [layout: side by side] B two. [board: 1] B three. [keys: Ctrl+S] B four.\n";
        $script = Script::parse($text);
        $cues = new PictureCues(
            $script,
            [new CuedSlide('Table', Example::slide('t'))],
            HouseStyle::of([]),
            FrameSize::of(640, 360),
        );
        $seen = $cues->of($script->sections[0], ['1', '2', '3', '4']);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $surfaces = array_map(fn ($c): ?string => $c->then->stage?->surface(), $changes);
        self::assertSame(['slide:t', 'screen', null, 'board:2'], [$opening->stage?->surface(), ...$surfaces]);
        self::assertSame('the gauge', $changes[0]->then->stage?->says);

        $seen = $cues->of($script->sections[1], ['5', '6', '7', '8']);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        self::assertSame('board:2', $opening->stage?->surface(), 'the page shown last');
        self::assertSame(Layout::SideBySide, $changes[0]->then->layout);
        self::assertSame('board:1', $changes[1]->then->stage?->surface());
        $pages = CuedPages::of($script, HouseStyle::of([])->colours, FrameSize::of(640, 360));
        self::assertNotSame($pages->page(1)->still?->hash, $pages->page(2)->still?->hash, 'squared paper');
        self::assertSame($changes[1]->then->stage->still?->hash, $pages->page(1)->still?->hash);
        self::assertCount(2, $pages->drawings());

        [$keys] = $cues->overlays($script->sections[1], ['5', '6', '7', '8']);
        self::assertSame('8', $keys->line);
        self::assertSame(StillKind::Keys, $keys->layer->source instanceof Still ? $keys->layer->source->kind : null);
        self::assertCount(3, $cues->drawings(), 'two papers and a row of caps');
    }

    public function testKeysAreShownForAMoment(): void
    {
        $text = Script::parse("## One\n\n[slide] Save it. [keys: Ctrl+S] Then go on.\n");
        $cues = new PictureCues(
            $text,
            [new CuedSlide('Table', Example::slide('t'))],
            HouseStyle::of([]),
            FrameSize::of(1280, 720),
        );
        $opening = $cues->of($text->sections[0], ['a', 'b'])->opening;
        $take = $this->take('t', lines: ['a' => 48_000, 'b' => 96_000]);
        $section = new SectionInput(
            's',
            'One',
            $opening,
            [new Passage($take, $take->extent())],
            overlays: $cues->overlays($text->sections[0], ['a', 'b']),
        );
        $shots = array_map(
            fn (Shot $s): array => [$s->offset, $s->frames, count($s->picture->layers)],
            $this->of([$section])->segments[0]->shots,
        );

        self::assertSame([[0, 25, 2], [25, 62, 3], [87, 13, 2]], $shots);
    }

    public function testInkOnASlideIsSeenOnThatSlideOnly(): void
    {
        $take = $this->take('t', marks: [$this->ink('slide:one', 1500)]);
        $on = fn (string $slide): array => $this->marks(
            $this->of([$this->section('s', $take, Stage::slide(Example::slide($slide)))])->segments[0],
        );

        self::assertSame([[12, 100]], $on('one'));
        self::assertSame([], $on('two'));
    }

    public function testWhatIsWrittenOnABoardStaysUntilItIsWiped(): void
    {
        $board = fn (int $page): Stage => Stage::board($page, Example::slide("paper-{$page}"));
        $one = $this->take('t1', marks: [$this->ink('board:1', 1500), $this->ink('board:1', 200), $this->ink('board:2', 2000)]);
        $two = $this->take('t2', marks: [$this->ink('board:1', 3000)], wipes: [new Erasure('board:1', Tick::ofMilliseconds(2000))]);
        $three = $this->take('t3');
        $film = $this->of([
            $this->section('a', $one, $board(1)),
            $this->section('b', $three, Stage::slide(Example::slide('between'))),
            $this->section('c', $two, $board(1)),
            $this->section('d', $three, $board(1)),
            $this->section('e', $three, $board(2)),
        ]);

        [$a, $b, $c, $d, $e] = array_map($this->marks(...), $film->segments);
        self::assertSame([[12, 100], [0, 100]], $a, 'what was drawn before the used part stands from its start');
        self::assertSame([], $b);
        self::assertSame([[0, 25], [50, 100]], $c, 'wiped after a second; then something new');
        self::assertSame([[0, 100]], $d);
        self::assertSame([[0, 100]], $e);
        self::assertCount(1, $film->boardsBefore('c')->on('board:1'));
        self::assertCount(1, $film->boardsBefore('d')->on('board:1'));
        self::assertSame([], $film->boardsBefore('a')->on('board:1'));
        self::assertSame([], $film->boardsBefore('nowhere')->on('board:1'));
    }

    public function testAPageThatWasWipedBeforeTheUsedPartIsCleanInIt(): void
    {
        $board = Stage::board(1, Example::slide('paper'));
        $one = $this->take('t1', marks: [$this->ink('board:1', 1500)]);
        $two = $this->take('t2', wipes: [new Erasure('board:1', Tick::ofMilliseconds(200))]);
        $sections = array_map($this->section(...), ['a', 'b', 'c'], [$one, $two, $two], [$board, $board, $board]);
        $film = $this->of($sections);

        self::assertSame([[[12, 100]], [], []], array_map($this->marks(...), $film->segments));
    }

    /** @return list<array{int, int}> */
    private function marks(Segment $segment): array
    {
        $marks = [];
        foreach ($segment->shots as $shot) {
            foreach ($shot->picture->layers as $layer) {
                foreach ($layer->source instanceof AnnotationLayer ? $layer->source->marks : [] as $mark) {
                    $marks[] = [$mark->from, $mark->until];
                }
            }
        }

        return $marks;
    }

    private function ink(string $on, int $milliseconds): TakeAnnotation
    {
        return new TakeAnnotation(
            new Stroke(Tool::Pen, '000000', false, [new TimedPoint(0, 0.5, 0.5)]),
            Span::between(Tick::ofMilliseconds($milliseconds), Tick::ofMilliseconds(80_000)),
            $on,
        );
    }

    /**
     * A take of four seconds from second 1 on, with a camera and a screen.
     *
     * @param  array<string, int>  $lines
     * @param  list<TakeAnnotation>  $marks
     * @param  list<Erasure>  $wipes
     */
    private function take(
        string $id,
        int $screenOffset = 0,
        ?Crop $area = null,
        array $lines = [],
        array $marks = [],
        array $wipes = [],
    ): TakeView {
        $length = Tick::of(10_000_000);

        return Example::view(
            $id,
            1,
            [
                new RecordedTrack(TrackKind::Camera, "camera-{$id}", $length, Tick::zero(), Shape::of(1280, 720)),
                new RecordedTrack(
                    TrackKind::Screen,
                    "screen-{$id}",
                    $length,
                    Tick::of(max(0, $screenOffset)),
                    Shape::of(1920, 1080),
                    lead: Tick::of(max(0, -$screenOffset)),
                ),
            ],
            Example::span(48_000, 240_000),
            array_map(Tick::of(...), $lines),
            new TakeContent(annotations: $marks, erasures: $wipes, area: $area),
        );
    }

    private function section(string $id, TakeView $take, Stage $stage): SectionInput
    {
        return new SectionInput($id, $id, new ShotStyle(stage: $stage), [new Passage($take, $take->extent())]);
    }

    /** @param  list<SectionInput>  $sections */
    private function of(array $sections): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), $sections);
    }

    /** @return list<int> */
    private function rect(PixelRect $rect): array
    {
        return array_values($rect->toArray());
    }
}
