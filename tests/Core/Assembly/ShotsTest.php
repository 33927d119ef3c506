<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\PictureChange;
use OpenReel\Core\Assembly\PictureChoice;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Assembly\TakeSource;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Logo;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundSpec;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;
use PHPUnit\Framework\TestCase;

final class ShotsTest extends TestCase
{
    public function test_a_cue_changes_the_picture_on_the_frame_on_which_its_line_begins(): void
    {
        // Used from second 1 to 5 at 25 fps: 100 frames. Line b begins at 2.5 s, 1.5 s into the segment: frame 37.
        [$segment] = $this->assembly([new PictureChange('b', 0.0, $this->choice('two'))])->segments;

        self::assertSame([[0, 37, 'one'], [37, 63, 'two']], $this->shots($segment));
        self::assertSame(100, $segment->frames);
    }

    public function test_a_cue_inside_a_line_falls_where_that_part_of_it_is_spoken(): void
    {
        // Line b lasts from 2.5 s to 4 s; half of it is spoken at 3.25 s, 56.25 frames into the segment.
        [$segment] = $this->assembly([new PictureChange('b', 0.5, $this->choice('two'))])->segments;

        self::assertSame([[0, 56, 'one'], [56, 44, 'two']], $this->shots($segment));
    }

    public function test_cues_at_the_same_place_leave_the_last_and_cues_of_lines_not_spoken_nothing(): void
    {
        [$segment] = $this->assembly([
            new PictureChange('a', 0.0, $this->choice('never seen')), new PictureChange('a', 0.0, $this->choice('seen')), new PictureChange('other', 0.0, $this->choice('two')),
        ])->segments;

        self::assertSame([[0, 100, 'seen']], $this->shots($segment));
    }

    public function test_each_shot_has_its_own_picture_and_the_segment_one_sound(): void
    {
        $assembly = $this->assembly([new PictureChange('b', 0.0, $this->choice('two', Layout::CameraAlone))]);
        [$first, $second] = ShotSpec::all($assembly->segments[0], $assembly->rate);

        self::assertSame([37, 63], [$first->frames, $second->frames]);
        self::assertSame([48_000, 48_000 + 37 * 1920], [$first->in->count, $second->in->count]);
        self::assertNull($second->slide);
        self::assertSame(100 * 1920, SoundSpec::of($assembly->segments[0], $assembly->rate, -16.0)->length->count);
    }

    public function test_takes_of_a_merged_section_follow_each_other_in_one_chapter(): void
    {
        $section = new SectionSource('s', 'Merged', $this->choice('one'), [$this->take('t1', ['a' => 1.0]), $this->take('t2', ['c' => 1.0])], [new PictureChange('a', 0.5, $this->choice('two'))]);
        $assembly = $this->of([$section]);

        self::assertSame(['t1', 't2'], array_map(fn (Segment $s): ?string => $s->take?->id, $assembly->segments));
        self::assertSame('two', $assembly->segments[1]->shots[0]->slide?->id);
        self::assertSame([['Merged', 0, 200 * 1920]], array_map(fn (Chapter $c): array => [$c->title, $c->from->count, $c->until->count], $assembly->chapters()));
    }

    public function test_a_card_stands_for_its_length_in_silence_under_the_logo(): void
    {
        $logo = new Logo('logo-hash', Shape::of(200, 100));
        $card = new SectionSource('c', 'Tides', new PictureChoice, card: new CardSource(new SlideSource('card', Shape::of(1280, 720), 'card-hash'), Tick::ofMilliseconds(4001)));
        $assembly = $this->of([$card, new SectionSource('s', 'One', $this->choice('one'), [$this->take('t', [])])], $logo);
        [$spec] = ShotSpec::all($assembly->segments[0], $assembly->rate);

        self::assertSame(101, $assembly->segments[0]->frames);
        self::assertSame(101, $assembly->segments[1]->startFrame);
        self::assertSame(['card-hash', 'logo-hash'], $spec->files());
        self::assertNull(SoundSpec::of($assembly->segments[0], $assembly->rate, -16.0)->sound);
        self::assertSame([], $assembly->missing);
        self::assertCount(2, $assembly->chapters());
    }

    public function test_a_section_spoken_in_anothers_take_is_not_missing(): void
    {
        $assembly = $this->of([new SectionSource('a', 'A', new PictureChoice), new SectionSource('b', 'B', new PictureChoice, spokenIn: 'a')]);

        self::assertSame(['A'], array_map(fn (SectionSource $s): string => $s->heading, $assembly->missing));
    }

    public function test_a_section_split_off_keeps_its_chapter_and_what_it_shows(): void
    {
        // One take says a, b and c; b and c have become a section of their own, with a cue before c.
        $assembly = $this->of([
            new SectionSource('s', 'One', $this->choice('one'), [$this->take('t', ['a' => 1.0, 'b' => 2.5, 'c' => 4.0])], lines: ['a']),
            new SectionSource('g', 'Two', $this->choice('two'), [], [new PictureChange('c', 0.0, $this->choice('three'))], spokenIn: 's', lines: ['b', 'c']),
        ]);

        self::assertSame([[0, 37, 'one'], [37, 38, 'two'], [75, 25, 'three']], $this->shots($assembly->segments[0]));
        self::assertSame(
            [['One', 0, 37 * 1920], ['Two', 37 * 1920, 100 * 1920]],
            array_map(fn (Chapter $c): array => [$c->title, $c->from->count, $c->until->count], $assembly->chapters()),
        );
        self::assertSame([], $assembly->missing);
    }

    public function test_a_cue_behind_the_used_part_is_never_seen_but_holds_for_the_next_take(): void
    {
        // Used until second 5; line d would begin at 5.5 s.
        $section = new SectionSource('s', 'One', $this->choice('one'), [$this->take('t', ['a' => 1.0, 'd' => 5.5]), $this->take('u', ['e' => 1.0])], [new PictureChange('d', 0.0, $this->choice('two'))]);
        $assembly = $this->of([$section]);

        self::assertSame([[0, 100, 'one']], $this->shots($assembly->segments[0]));
        self::assertSame([[0, 100, 'two']], $this->shots($assembly->segments[1]));
    }

    public function test_a_cue_before_a_line_that_is_not_spoken_yet_comes_up_with_the_next_one(): void
    {
        $section = new SectionSource(
            's', 'One', $this->choice('one'), [$this->take('t', ['a' => 1.0, 'b' => 2.5])],
            [new PictureChange('new', 0.5, $this->choice('two')), new PictureChange('last', 0.0, $this->choice('never seen'))],
            lines: ['a', 'new', 'newer', 'b', 'last'],
        );

        self::assertSame([[0, 37, 'one'], [37, 63, 'two']], $this->shots($this->of([$section])->segments[0]));
    }

    /** @param  list<PictureChange>  $changes */
    private function assembly(array $changes): Assembly
    {
        return $this->of([new SectionSource('s', 'One', $this->choice('one'), [$this->take('t', ['a' => 1.0, 'b' => 2.5, 'c' => 4.0])], $changes)]);
    }

    /** @param  list<SectionSource>  $sections */
    private function of(array $sections, ?Logo $logo = null): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), $sections, $logo);
    }

    private function choice(string $slide, Layout $layout = Layout::SlideWithInset): PictureChoice
    {
        return new PictureChoice($layout, slide: new SlideSource($slide, Shape::of(1600, 900), "hash-{$slide}"));
    }

    /** @param  array<string, float>  $lines  second in the take by line */
    private function take(string $id, array $lines): TakeSource
    {
        return new TakeSource($id, 1, Span::between(Tick::ofSeconds(1), Tick::ofSeconds(5)), Shape::of(1280, 720), "media-{$id}", "sound-{$id}", -20.0, array_map(Tick::ofSeconds(...), $lines));
    }

    /** @return list<array{int, int, string|null}> */
    private function shots(Segment $segment): array
    {
        return array_map(fn (Shot $s): array => [$s->offset, $s->frames, $s->slide?->id], $segment->shots);
    }
}
