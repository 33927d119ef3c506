<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\LayoutMove;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetPlace;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\FilterGraph;
use OpenReel\Core\Render\LayerGraph;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Script\LayoutCue;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;

/** Layouts: what cues say of them, the way from one to the next, and where the take changes. */
final class LayoutMoveTest extends TestCase
{
    public function test_a_cue_says_where_an_inset_lies_and_how_it_gets_there(): void
    {
        foreach ([
            'slide with inset, top left, small', 'circle, at 60 55.5 30', 'slide alone, 0.6 s', 'camera alone, at once',
            'circle, thick border, shadow', 'no border, no shadow',
        ] as $value) {
            self::assertSame($value, LayoutCue::parse($value)?->write());
        }
        self::assertSame([200, 2000], [LayoutCue::parse('small, 0.01 s')?->moveMs, LayoutCue::parse('small, 90 s')?->moveMs]);
        foreach (['', 'at 10 10', 'at ten', 'huge', 'at 1 2 3 4'] as $value) {
            self::assertNull(LayoutCue::parse($value), $value);
        }
        // A corner ends a free place, a shape does not.
        $free = LayoutCue::parse('at 10 20 30') ?? new LayoutCue();
        self::assertNull((new LayoutCue(corner: LayoutCue::parse('top left')?->corner))->over($free)->place);
        self::assertEquals($free->place, (new LayoutCue(shape: InsetShape::Circle))->over($free)->place);
        // A border keeps its colour, and what is not said stays.
        $usual = new Inset(border: new InsetBorder('thin', '0B5D66'), hasShadow: true);
        $inset = LayoutCue::parse('thick border')?->inset($usual);
        self::assertEquals([new InsetBorder('thick', '0B5D66'), true], [$inset?->border, $inset?->hasShadow]);
        self::assertFalse(LayoutCue::parse('no shadow')?->inset($usual)->hasShadow);
    }

    public function test_a_free_inset_lies_in_the_frame_whatever_is_asked(): void
    {
        $frame = FrameSize::of(1280, 720);
        $rect = function (float $x, float $y, float $width, InsetShape $shape = InsetShape::Rectangle) use ($frame): PixelRect {
            return (new Inset(shape: $shape, place: InsetPlace::of($x, $y, $width)))->rect($frame, Shape::of(1600, 900));
        };

        self::assertEquals(new PixelRect(128, 72, 320, 180), $rect(0.1, 0.1, 0.25));
        self::assertEquals(new PixelRect(960, 540, 320, 180), $rect(0.99, 0.99, 0.25));
        self::assertEquals(new PixelRect(0, 0, 102, 102), $rect(-1.0, -1.0, 0.0, InsetShape::Circle));
        self::assertEquals(new PixelRect(0, 0, 720, 720), $rect(0.0, 0.0, 1.0, InsetShape::Circle));
    }

    public function test_the_inset_goes_over_the_side_and_the_stage_stands(): void
    {
        // A second a line; the move takes half of one.
        $shots = $this->shots('[slide: 1] [layout: slide alone] One. [layout: slide with inset, 0.48 s] Two. '
            .'[layout: slide alone, 0.48 s] Three.');

        self::assertSame([25, 12, 13, 12, 13], array_map(fn (Shot $s): int => $s->frames, $shots));
        $from = fn (Shot $s): array => array_map(fn (Layer $l): ?int => $l->motion?->from->x, $s->picture->layers);
        self::assertSame([[], [1280], [], [944], []], array_map(
            fn (Shot $s): array => array_values(array_filter($from($s))), $shots,
        ));
        // It comes from beyond the right side, and goes there again.
        self::assertSame(1280, $shots[3]->picture->layers[1]->rect->x);
        self::assertSame($shots[1]->picture->layers[1]->rect->y, $shots[3]->picture->layers[1]->rect->y);
    }

    public function test_a_camera_grows_over_the_stage_without_being_stretched(): void
    {
        $shots = $this->shots('[slide: 1] [layout: slide with inset, circle] One. [layout: camera alone, 0.4 s] Two. Three.');
        [$stage, $camera] = $shots[1]->picture->layers;

        self::assertCount(2, $shots[1]->picture->layers);
        self::assertNull($stage->motion, 'it is there until it is covered');
        self::assertEquals(new PixelRect(0, 0, 1280, 720), $camera->rect);
        $from = $camera->motion->from ?? new PixelRect(0, 0, 0, 0);
        self::assertEqualsWithDelta(1280 / 720, $from->width / $from->height, 0.01);
        $inset = $shots[0]->picture->layers[1]->rect;
        self::assertGreaterThanOrEqual($inset->height, $from->height);
        self::assertEqualsWithDelta($inset->x + $inset->width / 2, $from->x + $from->width / 2, 2);
    }

    public function test_a_move_that_is_cut_off_goes_on_from_where_it_is(): void
    {
        // The second begins when the first has gone half its way: 12 of 25 frames.
        $shots = $this->shots('[slide: 1] One. [layout: at 0 0 20, 2 s] Two. [layout: at 60 0 20, 2 s] Three.');
        $camera = fn (Shot $s): Layer => $s->picture->layers[1];
        self::assertSame([25, 25, 25], array_map(fn (Shot $s): int => $s->frames, $shots));
        [$first, $second] = [$camera($shots[1]), $camera($shots[2])];
        $start = $camera($shots[0])->rect->x;

        self::assertSame([$start, 0], [$first->motion?->from->x, $first->rect->x]);
        // Half of the time, half of the way.
        self::assertEqualsWithDelta($start / 2, $second->motion?->from->x, 2);
        self::assertSame(768, $second->rect->x);
    }

    public function test_what_is_zoomed_and_moved_at_once_arrives_at_once(): void
    {
        $cues = ['[zoom: 50 25 50, 0.8 s]', '[layout: side by side, 0.4 s]'];
        foreach ([implode(' ', $cues), implode(' ', array_reverse($cues))] as $both) {
            $shots = $this->shots("[slide: 1] One. {$both} Two. Three.");
            self::assertSame([25, 20, 30], array_map(fn (Shot $s): int => $s->frames, $shots), $both);
            [$stage, $camera] = $shots[1]->picture->layers;

            self::assertSame([20, 20], [$stage->motion?->frames, $camera->motion?->frames]);
            self::assertEquals(Crop::whole(), $stage->motion?->part);
            self::assertEquals(new Crop(0.5, 0.25, 0.5, 0.5), $stage->crop);
            self::assertEqualsWithDelta(1280, $stage->motion?->from->width, 2);
            self::assertLessThan(1000, $stage->rect->width);
            $graph = new FilterGraph;
            LayerGraph::picture($graph, ShotSpec::of($shots[1], FrameRate::of(25)));
            self::assertMatchesRegularExpression('/perspective=[^;]+,scale=w=\'round/', $graph->text());
        }
    }

    public function test_what_is_laid_over_the_stage_goes_with_it(): void
    {
        $before = Picture::of(FrameSize::of(1280, 720), Layout::SlideAlone, new Inset(), Example::slide('one'), null);
        $then = Picture::of(
            FrameSize::of(1280, 720), Layout::SideBySide, new Inset(), Example::slide('one'),
            TrackAt::live(TrackKind::Camera, Shape::of(1600, 900)),
        );
        $label = fn (int $x, int $y, string $says = 'sill'): Layer => new Layer(
            new Still(StillKind::Label, $says, Shape::of(200, 48), $says), new PixelRect($x, $y, 200, 48),
        );
        $then = $then->overStage($label(420, 300), $label(9, 9, 'new'));
        $moved = LayoutMove::of($before->overStage($label(640, 360)), $then, 10);

        self::assertEquals(new PixelRect(640, 360, 200, 48), $moved->layers[1]->motion?->from);
        self::assertNull($moved->layers[2]->motion, 'what comes up with the move is there at once');
    }

    public function test_what_says_what_is_seen_anyway_moves_nothing_and_another_slide_is_there_at_once(): void
    {
        $style = ['layout_move' => 600];
        self::assertCount(1, $this->shots('[slide: 1] One. [layout: slide with inset] Two. Three.', $style));
        $moved = fn (array $shots): bool => array_filter(
            array_merge(...array_map(fn (Shot $s): array => $s->picture->layers, $shots)),
            fn (Layer $l): bool => $l->motion !== null,
        ) !== [];
        self::assertFalse($moved($this->shots('[slide: 1] One. [camera alone] Two. [slide: 1] Three.', $style)));
        self::assertFalse($moved($this->shots('[slide: 1] One. [layout: top left, at once] Two. Three.', $style)));
        self::assertTrue($moved($this->shots('[slide: 1] One. [layout: top left] Two. Three.', $style)));
    }

    public function test_where_the_take_changes_the_presenter_is_framed_closer_and_then_as_before(): void
    {
        $take = fn (string $id): Passage => new Passage(
            Example::take($id, [0, 96_000], camera: Shape::of(1600, 900)), Example::span(0, 48_000),
        );
        $goesOn = fn (string $id): Passage => new Passage(
            Example::take($id, [0, 96_000], camera: Shape::of(1600, 900)), Example::span(48_000, 96_000),
        );
        $parts = function (bool $hides) use ($take, $goesOn): array {
            $section = new SectionInput('s', 's', Example::section('x', 'x', null)->opening, [
                $take('a'), $goesOn('a'), $take('b'), $goesOn('b'), $take('c'),
            ]);
            $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section], new FilmStyle(hidesJumps: $hides));

            return array_map(function ($segment): ?Crop {
                $camera = $segment->shots[0]->picture->layers[1]->source;

                return $camera instanceof TrackAt ? $camera->part : null;
            }, $film->segments);
        };
        $closer = new Crop(0.037037, 0.025926, 0.925926, 0.925926);

        self::assertEquals([null, null, $closer, $closer, null], $parts(true));
        self::assertEquals([null, null, null, null, null], $parts(false));
    }

    /**
     * @param  array<string, mixed>  $style
     * @return list<Shot> of three lines of a second each
     */
    private function shots(string $text, array $style = []): array
    {
        $style = HouseStyle::of($style);
        $frame = FrameSize::of(1280, 720);
        $script = Script::parse("## A\n\n{$text}\n");
        $deck = [new CuedSlide('1', Example::slide('one'))];
        $cues = new PictureCues($script, $deck, $style, $frame);
        $lines = ['a', 'b', 'c'];
        $seen = $cues->of($script->sections[0], $lines);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $take = Example::take('t', [0, 144_000], ['a' => 0, 'b' => 48_000, 'c' => 96_000], Shape::of(1600, 900));
        $source = new SectionInput(
            's', 's', $opening, [new Passage($take, Example::span(0, 144_000), $lines)], $changes, lines: $lines,
        );

        return Assembly::of($frame, FrameRate::of(25), [$source])->segments[0]->shots;
    }
}
