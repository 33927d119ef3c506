<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;

/** Zooms, emphasis and joins of a script in the film: on which frames, and where. */
final class ShownCuesTest extends TestCase
{
    /** Two lines of ten letters, four seconds each, at 25 frames a second. */
    private const TICKS = ['a' => 0, 'b' => 192_000];

    public function test_a_zoom_is_on_its_way_and_then_stands(): void
    {
        $shots = $this->segment('[slide: 1] Aaaa [zoom: 50 25 50, 0.8 s] bbbb. Cccc [zoom: out, 0.4 s] dddd.')->shots;
        // It begins at half of the first line, takes 20 frames, and 10 back from half of the second.
        self::assertSame([0, 50, 70, 150, 160], array_map(fn (Shot $s): int => $s->offset, $shots));
        $part = new Crop(0.5, 0.25, 0.5, 0.5);
        $of = fn (int $i): array => [$this->stage($shots[$i])->crop, $this->stage($shots[$i])->motion?->part];
        self::assertEquals([null, null], $of(0));
        self::assertEquals([$part, Crop::whole()], $of(1));
        self::assertEquals([$part, null], $of(2));
        self::assertEquals([null, $part], $of(3));
        self::assertEquals([null, null], $of(4));
        self::assertSame([20, 10], [$this->stage($shots[1])->motion?->frames, $this->stage($shots[3])->motion?->frames]);
    }

    public function test_a_zoom_is_on_its_way_whatever_else_changes_at_its_place(): void
    {
        foreach (['[zoom: 50 25 50] [layout: slide alone]', '[layout: slide alone] [zoom: 50 25 50]'] as $both) {
            $shots = $this->segment("[slide: 1] Aaaa {$both} bbbb. Cccc dddd.")->shots;
            self::assertSame([0, 50, 70], array_map(fn (Shot $s): int => $s->offset, $shots), $both);
            self::assertSame(20, $this->stage($shots[1])->motion?->frames, $both);
        }
        // What says what is seen anyway cuts nothing.
        self::assertCount(1, $this->segment('[slide: 1] Aaaa [zoom: out] bbbb. Cccc dddd.')->shots);
    }

    public function test_a_zoom_that_is_cut_off_goes_on_from_where_it_is(): void
    {
        // The way takes 100 frames and is half done when it is called back.
        $shots = $this->segment('[slide: 1] [zoom: out] Aaaa [zoom: 50 25 50, 4 s] bbbb. [zoom: out, 1 s] Cccc dddd.')->shots;

        self::assertSame([0, 50, 100, 125], array_map(fn (Shot $s): int => $s->offset, $shots));
        self::assertEquals(new Crop(0.25, 0.125, 0.75, 0.75), $this->stage($shots[2])->motion?->part);
    }

    public function test_a_zoom_goes_on_when_something_else_changes(): void
    {
        $shots = $this->segment(
            '[slide: 1] [zoom: out] Aaaa [zoom: 50 25 50, 4 s] bbbb. [layout: slide alone] Cccc dddd.',
        )->shots;

        self::assertSame([0, 50, 100, 150], array_map(fn (Shot $s): int => $s->offset, $shots));
        self::assertEquals(new Crop(0.25, 0.125, 0.75, 0.75), $this->stage($shots[2])->motion?->part);
        self::assertSame(50, $this->stage($shots[2])->motion?->frames);
        self::assertEquals(new Crop(0.5, 0.25, 0.5, 0.5), $this->stage($shots[3])->crop);
    }

    public function test_a_zoom_belongs_to_its_stage(): void
    {
        $shots = $this->segment('[slide: 1] [zoom: 0 0 50] Aaaa [slide: 2] bbbb. Cccc dddd.')->shots;
        self::assertSame([0, 50], array_map(fn (Shot $s): int => $s->offset, $shots));
        self::assertEquals(new Crop(0.0, 0.0, 0.5, 0.5), $this->stage($shots[0])->crop);
        self::assertNull($this->stage($shots[0])->motion, 'it begins with it');
        self::assertNull($this->stage($shots[1])->crop);
    }

    public function test_emphasis_is_seen_for_its_words_on_its_stage(): void
    {
        $shots = $this->segment(
            '[slide: 1] Aaaa [emphasis: box 10 10 20 20] bbbb. Cccc [emphasis: none] dddd.',
        )->shots;
        self::assertSame([[50, 150]], $this->marks($shots));
        $shots = $this->segment('[slide: 1] [emphasis: round 10 10 20 20, 1 s] Aaaa bbbb. Cccc dddd.')->shots;
        self::assertSame([[0, 25]], $this->marks($shots));
        $shots = $this->segment(
            '[slide: 1] Aaaa [emphasis: arrow 10 10 20 20] bbbb. Cccc [slide: 2] dddd.',
        )->shots;
        self::assertSame([[50, 150]], $this->marks($shots), 'with another slide it is gone');
        // Two at once, and one on its way through a zoom.
        $shots = $this->segment(
            '[slide: 1] [emphasis: box 0 0 9 9] Aaaa [emphasis: underline 1 1 9] bbbb. Cccc [zoom: 0 0 50, 1 s] dddd.',
        )->shots;
        self::assertSame([[0, 200], [50, 200]], $this->marks($shots));
    }

    public function test_emphasis_goes_on_in_the_next_passage_but_not_what_was_to_be_seen_for_a_moment(): void
    {
        $marks = function (string $text): array {
            $passages = [];
            foreach (['a', 'b'] as $line) {
                $take = Example::take("t{$line}", [0, 192_000], [$line => 0]);
                $passages[] = new Passage($take, $take->extent(), [$line]);
            }
            $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$this->source($text, $passages)]);

            return array_map(fn (Segment $s): array => $this->marks($s->shots), $film->segments);
        };
        self::assertSame(
            [[[50, 100]], [[0, 50]]],
            $marks('[slide: 1] Aaaa [emphasis: box 1 1 9 9] bbbb. Cccc [emphasis: none] dddd.'),
        );
        self::assertSame([[[50, 75]], []], $marks('[slide: 1] Aaaa [emphasis: box 1 1 9 9, 1 s] bbbb. Cccc dddd.'));
        self::assertSame([[], [[50, 100]]], $marks('[slide: 1] Aaaa bbbb. Cccc [emphasis: box 1 1 9 9] dddd.'));
    }

    public function test_without_a_stage_nothing_is_laid_over_it(): void
    {
        $shots = $this->segment('[camera alone] [emphasis: box 10 10 20 20] Aaaa [zoom: 0 0 50] bbbb. Cccc dddd.')->shots;
        self::assertSame([], $this->marks($shots));
        self::assertCount(1, $shots);
    }

    public function test_a_section_meets_the_one_before_it_as_its_cue_says(): void
    {
        $of = fn (Script $s, array $style): PictureCues => new PictureCues(
            $s, [], HouseStyle::of($style), FrameSize::of(1280, 720),
        );
        $cues = fn (string $text, array $style = []): mixed => $of(Script::parse($text), $style)
            ->join(Script::parse($text)->sections[0], FrameRate::of(25))
            ?->toArray();
        self::assertSame(['kind' => 'dissolve', 'frames' => 13], $cues('[join: dissolve] Aaaa.'));
        self::assertSame(['kind' => 'dip', 'frames' => 24], $cues('[join: dip, 1 s] Aaaa.'));
        self::assertSame(['kind' => 'cut', 'frames' => 0], $cues('[join: cut] Aaaa.'));
        self::assertSame(['kind' => 'dissolve', 'frames' => 75], $cues('[join: Dissolve, 99 s] Aaaa.'));
        self::assertNull($cues('[join: sideways] Aaaa.'));
        self::assertNull($cues('Aaaa [join: dip] bbbb.'), 'only before the first word');
        // The style says it for all that say nothing.
        self::assertSame(['kind' => 'dip', 'frames' => 14], $cues('Aaaa.', ['join' => 'dip, 0.6 s']));
        self::assertSame(['kind' => 'cut', 'frames' => 0], $cues('[join: cut] Aaaa.', ['join' => 'dip, 0.6 s']));
    }

    public function test_each_word_has_its_frame(): void
    {
        $segment = $this->segment('Aaaa bbbb. Cccc dddd.');
        self::assertSame(
            ['a' => [0, 50], 'b' => [100, 150]],
            WordFrames::of($segment, ['a' => 'Aaaa bbbb.', 'b' => 'Cccc dddd.']),
        );
    }

    private function segment(string $text): Segment
    {
        $take = Example::take('t', [0, 384_000], self::TICKS);
        $source = $this->source($text, [new Passage($take, $take->extent(), ['a', 'b'])]);

        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$source])->segments[0];
    }

    /** @param  list<Passage>  $passages */
    private function source(string $text, array $passages): SectionInput
    {
        $script = Script::parse($text);
        $deck = [
            new CuedSlide('One', Example::slide('one')),
            new CuedSlide('Two', Example::slide('two')),
        ];
        $cues = new PictureCues($script, $deck, HouseStyle::of([]), FrameSize::of(1280, 720));
        $seen = $cues->of($script->sections[0], ['a', 'b']);
        [$opening, $changes] = [$seen->opening, $seen->changes];

        return new SectionInput(
            's',
            'S',
            $opening,
            $passages,
            $changes,
            lines: ['a', 'b'],
            emphases: $cues->emphases($script->sections[0]),
        );
    }

    private function stage(Shot $shot): Layer
    {
        return $shot->picture->layers[0];
    }

    /**
     * @param  list<Shot>  $shots
     * @return list<array{int, int}> frames of the segment from and until which each mark is seen, through the shots it is in
     */
    private function marks(array $shots): array
    {
        $seen = [];
        foreach ($shots as $shot) {
            foreach ($shot->picture->layers as $layer) {
                foreach ($layer->source instanceof AnnotationLayer ? $layer->source->marks : [] as $mark) {
                    $look = json_encode($mark->figure->toArray(), JSON_THROW_ON_ERROR);
                    [$from, $until] = [$shot->offset + $mark->from, $shot->offset + $mark->until];
                    $goesOn = isset($seen[$look]) && $seen[$look][1] === $from;
                    $seen[$look] = [$goesOn ? $seen[$look][0] : $from, $until];
                }
            }
        }

        return array_values($seen);
    }
}
