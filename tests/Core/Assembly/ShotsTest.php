<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCueAt;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeView;
use PHPUnit\Framework\TestCase;

final class ShotsTest extends TestCase
{
    public function test_a_cue_changes_the_picture_on_the_frame_on_which_its_line_begins(): void
    {
        // Used from second 1 to 5 at 25 fps: 100 frames. Line b begins at 2.5 s, 1.5 s into the segment: frame 37.
        [$segment] = $this->assembly([new PictureCueAt('b', 0.0, $this->choice('two'))])->segments;

        self::assertSame([[0, 37, 'one'], [37, 63, 'two']], $this->shots($segment));
        self::assertSame(100, $segment->frames);
    }

    public function test_a_cue_inside_a_line_falls_where_that_part_of_it_is_spoken(): void
    {
        // Line b lasts from 2.5 s to 4 s; half of it is spoken at 3.25 s, 56.25 frames into the segment.
        [$segment] = $this->assembly([new PictureCueAt('b', 0.5, $this->choice('two'))])->segments;

        self::assertSame([[0, 56, 'one'], [56, 44, 'two']], $this->shots($segment));
    }

    public function test_cues_at_the_same_place_leave_the_last_and_cues_of_lines_not_spoken_nothing(): void
    {
        [$segment] = $this->assembly([
            new PictureCueAt('a', 0.0, $this->choice('never seen')),
            new PictureCueAt('a', 0.0, $this->choice('seen')),
            new PictureCueAt('other', 0.0, $this->choice('two')),
        ])->segments;

        self::assertSame([[0, 100, 'seen']], $this->shots($segment));
    }

    public function test_each_shot_shows_its_own_moment_of_the_camera_and_the_segment_has_one_sound(): void
    {
        $assembly = $this->assembly([new PictureCueAt('b', 0.0, $this->choice('two', Layout::CameraAlone))]);
        [$first, $second] = $assembly->segments[0]->shots;

        self::assertSame([48_000, 48_000 + 37 * 1920], [$this->camera($first)->at->count, $this->camera($second)->at->count]);
        self::assertCount(1, $second->picture->layers, 'the camera alone');
        self::assertSame([100 * 1920], array_map(fn ($p): int => $p->piece->samples, SoundPlan::of($assembly, -16.0)->places));
    }

    public function test_a_camera_that_began_later_than_the_take_shows_its_first_picture_until_then(): void
    {
        $later = Example::take('t', [0, 96_000], camera: Shape::of(1280, 720), cameraLater: 4800);
        [$shot] = $this->of([
            new SectionInput('s', 'One', $this->choice('one'), [new Passage($later, $later->extent())]),
        ])->segments[0]->shots;
        self::assertSame([0, 4800], [$this->camera($shot)->at->count, $this->camera($shot)->late->count]);

        $inside = Example::take('t', [9600, 96_000], camera: Shape::of(1280, 720), cameraLater: 4800);
        [$shot] = $this->of([
            new SectionInput('s', 'One', $this->choice('one'), [new Passage($inside, $inside->extent())]),
        ])->segments[0]->shots;
        self::assertSame([4800, 0], [$this->camera($shot)->at->count, $this->camera($shot)->late->count]);
    }

    public function test_passages_of_a_section_follow_each_other_in_one_chapter_and_go_on_with_what_was_seen(): void
    {
        [$first, $second] = [$this->take('t1', ['a' => 1.0]), $this->take('t2', ['c' => 1.0])];
        $section = new SectionInput(
            's',
            'Merged',
            $this->choice('one'),
            [new Passage($first, $first->extent(), ['a']), new Passage($second, $second->extent(), ['c'])],
            [new PictureCueAt('a', 0.5, $this->choice('two'))],
            lines: ['a', 'c'],
        );
        $assembly = $this->of([$section]);

        self::assertSame(['t1', 't2'], array_map(fn (Segment $s): ?string => $s->passage?->take->id, $assembly->segments));
        self::assertSame('two', $this->shots($assembly->segments[1])[0][2]);
        self::assertSame([['Merged', 0, 200 * 1920]], $this->chapters($assembly));
    }

    public function test_a_card_stands_for_its_length_in_silence_under_the_logo(): void
    {
        $logo = new LogoPlacement('logo-hash', Shape::of(200, 100));
        $still = new Still(StillKind::Card, 'card', Shape::of(1280, 720), 'card-hash');
        $card = new SectionInput('c', 'Tides', new ShotStyle(), card: new CardSource($still, Tick::ofMilliseconds(4001)));
        $take = $this->take('t', []);
        $assembly = $this->of(
            [$card, new SectionInput('s', 'One', $this->choice('one'), [new Passage($take, $take->extent())])],
            $logo,
        );

        self::assertSame(101, $assembly->segments[0]->frames);
        self::assertSame(101, $assembly->segments[1]->startFrame);
        self::assertSame(['card-hash', 'logo-hash'], $assembly->segments[0]->shots[0]->picture->files());
        self::assertNull(SoundPlan::of($assembly, -16.0)->places[0]->piece->sound);
        self::assertSame([], $assembly->missing);
        self::assertCount(2, $assembly->chapters());
    }

    public function test_a_section_split_off_has_its_own_passage_chapter_and_slide_and_the_take_goes_on_without_a_gap(): void
    {
        // One take says a, b and c; b and c have become a section of their own, with a cue before c.
        $take = $this->take('t', ['a' => 1.0, 'b' => 2.51, 'c' => 4.0]);
        $assembly = $this->of([
            new SectionInput(
                's',
                'One',
                $this->choice('one'),
                [new Passage($take, Example::span(48_000, 120_480), ['a'])],
                lines: ['a'],
            ),
            new SectionInput(
                'g',
                'Two',
                $this->choice('two'),
                [new Passage($take, Example::span(120_480, 240_000), ['b', 'c'])],
                [new PictureCueAt('c', 0.0, $this->choice('three'))],
                lines: ['b', 'c'],
            ),
        ]);

        // 1.51 s are 37.75 frames: the first ends after 37 of them, and the second begins there.
        self::assertSame([[0, 37, 'one']], $this->shots($assembly->segments[0]));
        self::assertSame([[0, 38, 'two'], [38, 25, 'three']], $this->shots($assembly->segments[1]));
        self::assertSame(48_000 + 37 * 1920, $assembly->segments[1]->map?->timeOf(0)->count);
        self::assertSame([['One', 0, 37 * 1920], ['Two', 37 * 1920, 100 * 1920]], $this->chapters($assembly));
        self::assertCount(1, SoundPlan::of($assembly, -16.0)->places, 'heard in one piece');
        self::assertSame([], $assembly->missing);
    }

    public function test_a_cue_behind_a_passage_is_never_seen_but_holds_for_the_next_one(): void
    {
        // Used until second 5; line d would begin at 5.5 s.
        [$first, $second] = [$this->take('t', ['a' => 1.0, 'd' => 5.5]), $this->take('u', ['e' => 1.0])];
        $section = new SectionInput(
            's',
            'One',
            $this->choice('one'),
            [new Passage($first, $first->extent()), new Passage($second, $second->extent())],
            [new PictureCueAt('d', 0.0, $this->choice('two'))],
        );
        $assembly = $this->of([$section]);

        self::assertSame([[0, 100, 'one']], $this->shots($assembly->segments[0]));
        self::assertSame([[0, 100, 'two']], $this->shots($assembly->segments[1]));
    }

    public function test_a_cue_before_a_line_that_is_not_spoken_yet_comes_up_with_the_next_one(): void
    {
        $take = $this->take('t', ['a' => 1.0, 'b' => 2.5]);
        $section = new SectionInput(
            's',
            'One',
            $this->choice('one'),
            [new Passage($take, $take->extent())],
            [new PictureCueAt('new', 0.5, $this->choice('two')), new PictureCueAt('last', 0.0, $this->choice('never seen'))],
            lines: ['a', 'new', 'newer', 'b', 'last'],
        );

        self::assertSame([[0, 37, 'one'], [37, 63, 'two']], $this->shots($this->of([$section])->segments[0]));
    }

    public function test_what_is_drawn_is_seen_in_every_shot_that_it_lasts_into(): void
    {
        // Seen from second 2 to 4; the picture changes at second 2.5.
        $take = Example::take(
            't',
            [48_000, 240_000],
            ['a' => 48_000, 'b' => 120_000],
            Shape::of(1280, 720),
            marks: [
                new TakeAnnotation(new Box(0.1, 0.1, 0.2, 0.2), Example::span(96_000, 192_000)),
                new TakeAnnotation(new Box(0.5, 0.5, 0.1, 0.1), Example::span(0, 24_000)),
            ],
        );
        $section = new SectionInput(
            's',
            'One',
            $this->choice('one'),
            [new Passage($take, $take->extent())],
            [new PictureCueAt('b', 0.0, $this->choice('two'))],
        );
        $marks = array_map(function (Shot $shot): array {
            $source = $shot->picture->layers[1]->source;

            return $source instanceof AnnotationLayer ? array_map(fn ($m): array => [$m->from, $m->until], $source->marks) : [];
        }, $this->of([$section])->segments[0]->shots);

        self::assertSame([[[25, 37]], [[0, 38]]], $marks, 'the second was drawn before the used part');
    }

    public function test_joins_shorten_the_film_by_what_both_sides_share_and_chapters_follow(): void
    {
        [$one, $two, $three] = array_map(fn (string $id): TakeView => $this->take($id, []), ['t1', 't2', 't3']);
        $section = fn (string $id, TakeView $take, ?Transition $join): SectionInput => new SectionInput(
            $id,
            $id,
            $this->choice($id),
            [new Passage($take, $take->extent())],
            join: $join,
        );
        $assembly = $this->of([
            $section('a', $one, Transition::dissolve(9)),
            $section('b', $two, Transition::dissolve(10)),
            $section('c', $three, Transition::dip(8)),
        ]);

        self::assertSame([0, 90, 190], array_map(fn (Segment $s): int => $s->startFrame, $assembly->segments));
        self::assertSame(290, $assembly->frames());
        self::assertSame(0, $assembly->segments[0]->join->frames, 'nothing comes before the first');
        self::assertSame(
            [['a', 0, 90 * 1920], ['b', 90 * 1920, 190 * 1920], ['c', 190 * 1920, 290 * 1920]],
            $this->chapters($assembly),
        );
    }

    public function test_joins_leave_both_sides_at_least_half(): void
    {
        self::assertSame(3, Transition::dissolve(50)->within(6, 100)->frames);
        self::assertSame(6, Transition::dip(50)->within(100, 7)->frames);
        self::assertSame('cut', Transition::dissolve(10)->within(1, 100)->kind->value);
        self::assertSame('cut', Transition::dip(1)->kind->value);
    }

    /** @param  list<PictureCueAt>  $changes */
    private function assembly(array $changes): Assembly
    {
        $take = $this->take('t', ['a' => 1.0, 'b' => 2.5, 'c' => 4.0]);

        return $this->of([new SectionInput('s', 'One', $this->choice('one'), [new Passage($take, $take->extent())], $changes)]);
    }

    /** @param  list<SectionInput>  $sections */
    private function of(array $sections, ?LogoPlacement $logo = null): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), $sections, new FilmStyle($logo));
    }

    private function choice(string $slide, Layout $layout = Layout::SlideWithInset): ShotStyle
    {
        return new ShotStyle($layout, stage: Stage::slide(Example::slide($slide)));
    }

    /** @param  array<string, float>  $lines  second in the take by line */
    private function take(string $id, array $lines): TakeView
    {
        return Example::take(
            $id,
            [48_000, 240_000],
            array_map(fn (float $s): int => (int) (48_000 * $s), $lines),
            Shape::of(1280, 720),
        );
    }

    private function camera(Shot $shot): TrackAt
    {
        foreach ($shot->picture->layers as $layer) {
            if ($layer->source instanceof TrackAt) {
                return $layer->source;
            }
        }
        self::fail('There is no camera.');
    }

    /** @return list<array{int, int, string|null}> */
    private function shots(Segment $segment): array
    {
        return array_map(function (Shot $s): array {
            $source = $s->picture->layers[0]->source ?? null;

            return [$s->offset, $s->frames, $source instanceof Still ? $source->id : null];
        }, $segment->shots);
    }

    /** @return list<array{string, int, int}> */
    private function chapters(Assembly $assembly): array
    {
        return array_map(fn (Chapter $c): array => [$c->title, $c->from->count, $c->until->count], $assembly->chapters());
    }
}
