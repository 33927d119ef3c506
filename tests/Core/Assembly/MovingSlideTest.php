<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\ClipSource;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Readiness\DeckSlide;
use OpenReel\Core\Readiness\Readiness;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;

/** Slides that build up step by step, and short films on the stage. A second a line, at 25 frames. */
final class MovingSlideTest extends TestCase
{
    public function test_a_slide_builds_up_where_its_steps_are_cued(): void
    {
        $shown = fn (string $script): array => array_map(
            fn (Shot $s): string => $this->source($s) instanceof Still ? $this->source($s)->hash : '',
            $this->shots($script),
        );
        self::assertSame(
            ['none', 'one', 'two'],
            $shown('[slide: Curve] One. [step] Two. [step] Three.'),
        );
        self::assertSame(['none', 'two', 'none'], $shown('[slide: Curve] One. [step: 2] Two. [step: 0] Three.'));
        self::assertSame(['none', 'two'], $shown('[slide: Curve] One. [step: 9] Two. [step] Three.'), 'there are no more');
        // Shown again it begins anew; another slide does not build up.
        self::assertSame(['one', 'none'], $shown('[slide: Curve] [step] One. [slide: Curve] Two. Three.'));
        self::assertSame(['hash-plain'], $shown('[slide: Plain] One. [step] Two. Three.'));
    }

    public function test_what_is_drawn_on_a_slide_stays_while_it_builds_up(): void
    {
        $shots = $this->shots('[slide: Curve] [emphasis: box 10 10 20 20] One. [step] Two. Three.');

        self::assertCount(2, $shots[1]->picture->layers, 'the slide and the box');
    }

    public function test_a_film_plays_from_when_it_comes_on_the_stage(): void
    {
        $at = fn (string $script): array => array_map(
            fn (Shot $s): ?int => ($source = $this->source($s)) instanceof TrackAt ? intdiv($source->at->count, 1920) : null,
            $this->shots($script),
        );
        self::assertSame([null, 0, 25], $at('[slide: Plain] One. [slide: Tide film] Two. [layout: side by side] Three.'));
        // It goes on while it is cued again, and begins anew once something else was seen.
        self::assertSame([0], $at('[slide: Tide film] One. [slide: Tide film] Two. Three.'));
        self::assertSame([0, null, 0], $at('[slide: Tide film] One. [slide: Plain] Two. [slide: Tide film] Three.'));
    }

    public function test_a_film_goes_on_while_it_leaves(): void
    {
        $script = '[slide: Tide film] One. [layout: camera alone, 0.4 s] Two. Three.';
        $shots = $this->shots($script, null, Shape::of(1280, 720));
        $films = array_map(fn (Shot $s): array => array_values(array_filter(
            array_map(fn ($l): mixed => $l->source, $s->picture->layers),
            fn ($source): bool => $source instanceof TrackAt && $source->slide !== null,
        )), $shots);

        self::assertSame([0, 48_000], [$films[0][0]->at->count, $films[1][0]->at->count]);
        self::assertSame([], $films[2]);
    }

    public function test_a_film_goes_on_into_the_next_take(): void
    {
        $take = Example::take('a', [0, 48_000], ['a' => 0]);
        $next = Example::take('b', [0, 48_000], ['b' => 0]);
        $shots = $this->shots('[slide: Tide film] One. Two.', [
            new Passage($take, $take->extent(), ['a']), new Passage($next, $next->extent(), ['b']),
        ]);
        $source = array_map($this->source(...), $shots);

        self::assertSame([0, 48_000], array_map(fn ($s): ?int => $s instanceof TrackAt ? $s->at->count : null, $source));
        self::assertTrue($source[0] instanceof TrackAt && $source[0]->slide?->id === 'slide-film');
    }

    public function test_steps_that_there_are_not_are_named(): void
    {
        $deck = [new DeckSlide('Curve', steps: 2), new DeckSlide('Plain')];
        $says = fn (string $script): array => array_map(
            fn ($f): string => $f->says,
            array_values(array_filter(
                (new Readiness(Script::parse($script), $deck, Layout::SlideAlone, Pace::assumed()))->findings(),
                fn ($f): bool => $f->kind === 'cue',
            )),
        );

        self::assertSame([], $says("## A\n\n[slide: Curve] One [step] two [step] three [step: 1] four [step] five."));
        self::assertStringContainsString('there is no step 3', $says("## A\n\n[slide: Curve] One [step: 3] two.")[0]);
        self::assertStringContainsString('does not build up', $says("## A\n\n[slide: Plain] One [step] two.")[0]);
        self::assertStringContainsString('is no step', $says("## A\n\n[slide: Curve] One [step: last] two.")[0]);
    }

    private function source(Shot $shot): Still|TrackAt|null
    {
        $source = $shot->picture->layers[0]->source;

        return $source instanceof Still || $source instanceof TrackAt ? $source : null;
    }

    /**
     * @param  list<Passage>|null  $passages
     * @return list<Shot>
     */
    private function shots(string $script, ?array $passages = null, ?Shape $camera = null): array
    {
        $still = fn (string $hash): Still => new Still(StillKind::Slide, 'slide-curve', Shape::of(1600, 900), $hash);
        $film = Example::slide('film');
        $film = new Still(StillKind::Slide, 'slide-film', $film->shape, $film->hash);
        $deck = [
            new CuedSlide('Curve', $still('two'), Stage::slide(
                $still('two'), [$still('none'), $still('one'), $still('two')],
            )),
            new CuedSlide('Plain', Example::slide('plain')),
            new CuedSlide('Tide film', $film, Stage::slide(
                $film, [], new ClipSource('film', Shape::of(640, 360), Tick::ofSeconds(3)),
            )),
        ];
        $read = Script::parse($script);
        $cues = new PictureCues($read, $deck, HouseStyle::of(['layout' => 'slide-alone']), FrameSize::of(1280, 720));
        $lines = ['a', 'b', 'c'];
        $take = Example::take('t', [0, 144_000], ['a' => 0, 'b' => 48_000, 'c' => 96_000], $camera);
        $seen = $cues->of($read->sections[0], $lines);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $section = new SectionInput(
            's', 'S', $opening, $passages ?? [new Passage($take, $take->extent())], $changes, lines: $lines,
            emphases: $cues->emphases($read->sections[0]),
        );
        $assembly = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$section]);

        return array_merge(...array_map(fn ($segment): array => $segment->shots, $assembly->segments));
    }
}
