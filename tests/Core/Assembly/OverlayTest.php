<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Assembly\Overlay;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\Zoom;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\Options;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Style\HouseStyle;
use PHPUnit\Framework\TestCase;

/** What is laid over the picture: labels, pictures, names; and cards that count. */
final class OverlayTest extends TestCase
{
    public function test_words_may_have_commas_and_options_stand_behind_them(): void
    {
        $read = fn (string $value, int $numbers = 2): array => array_values(get_object_vars(Options::parse($value, $numbers)));

        self::assertSame(['The sill', [20.0, 10.0], 'accent', 3000], $read('The sill, accent, at 20 10, 3 s'));
        self::assertSame(['Sill, 1.5 m, {ok} "é" שלום 🌊', [0.0, 100.0], 'f2a541', null],
            $read('Sill, 1.5 m, {ok} "é" שלום 🌊, at -5 120, F2A541'));
        self::assertSame(['Slow, 3 s, down', [1.0, 2.0], null, null], $read('Slow, 3 s, down, at 1 2'));
        self::assertSame(['accent', null, null, null], $read('accent'), 'words there must be');
        self::assertSame(['Wenna, at 3 4', null, null, 4000], $read('Wenna, at 3 4, 4 s', 0));
        foreach (['[label: The sill]', '[label: at 1 2]', '[picture: Clock, at 1 2]', '[label]'] as $bad) {
            self::assertNotNull(Cue::parse($bad, 0)?->problem(), $bad);
        }
        self::assertNull(Cue::parse('[picture: Clock, at 60 10 30, 2 s]', 0)?->problem());
        self::assertNull(Cue::parse('[name]', 0)?->problem());
    }

    public function test_a_label_goes_where_its_place_goes_and_is_as_large_as_before(): void
    {
        $stage = new PixelRect(0, 0, 1280, 720);
        $label = new Overlay(new Still(StillKind::Label, 'l', Shape::of(200, 48), 'l'), 0.5, 0.25);

        self::assertEquals(new PixelRect(640, 180, 200, 48), $label->layer($stage, new Zoom())?->rect);
        $zoomed = $label->layer($stage, new Zoom(new Crop(0.25, 0.125, 0.5, 0.5)));
        self::assertEquals(new PixelRect(640, 180, 200, 48), $zoomed?->rect);
        self::assertNull($label->layer($stage, new Zoom(new Crop(0.0, 0.5, 0.5, 0.5))));
        $moving = $label->layer($stage, new Zoom(new Crop(0.5, 0.25, 0.5, 0.5), 20));
        self::assertEquals([new PixelRect(0, 0, 200, 48), new PixelRect(640, 180, 200, 48), 20],
            [$moving?->rect, $moving?->motion?->from, $moving?->motion?->frames]);
        $picture = new Overlay(new Still(StillKind::Laid, 'p', Shape::of(400, 200), 'p'), 0.5, 0.25, 0.25);
        $zoomed = $picture->layer($stage, new Zoom(new Crop(0.5, 0.25, 0.5, 0.5)));
        self::assertEquals(new PixelRect(0, 0, 640, 320), $zoomed?->rect);
    }

    public function test_they_are_seen_from_their_words_until_they_are_ended_under_the_inset(): void
    {
        $shots = $this->shots('[slide: 1] One [label: The sill, at 20 10] two. [picture: 2, at 60 10 30, 0.4 s] Three. '
            .'[emphasis: none] Four.');

        self::assertSame([12, 13, 10, 15, 25], array_map(fn (Shot $s): int => $s->frames, $shots));
        self::assertSame(
            [[], ['label'], ['label', 'laid'], ['label'], []],
            array_map(fn (Shot $s): array => $this->over($s), $shots),
        );
        $layers = $shots[1]->picture->layers;
        self::assertSame(3, count($layers));
        self::assertNotInstanceOf(Still::class, $layers[2]->source, 'the presenter lies above');
        // Another stage does not have it.
        self::assertSame(
            [[], ['label'], []],
            array_map(
                fn (Shot $s): array => $this->over($s),
                $this->shots('[slide: 1] One [label: A, at 1 1] two. [slide: 2] Three.'),
            ),
        );
    }

    public function test_names_are_shown_for_a_while_low_and_beside_the_inset(): void
    {
        $shots = $this->shots('[slide: 1] [name: Wenna Tregear, Shore instructor, 1 s] One two. Three. Four.');
        self::assertSame([25, 50], array_map(fn (Shot $s): int => $s->frames, $shots));
        $name = $shots[0]->picture->layers[2];
        self::assertSame(58, $name->rect->x);
        self::assertSame(720 - 58, $name->rect->y + $name->rect->height);
        $right = $this->shots('[slide: 1] [name: Wenna] One two. Three. Four.', ['inset_corner' => 'bottom-left'])[0];
        self::assertGreaterThan(640, $right->picture->layers[2]->rect->x);
        // Nobody is named: the style's presenter, if there is one.
        self::assertCount(2, $this->shots('[slide: 1] [name] One two. Three. Four.')[0]->picture->layers);
        $role = $this->shots('[slide: 1] [name: , Shore instructor] One two. Three. Four.');
        self::assertCount(2, $role[0]->picture->layers, 'nobody to be named');
        $named = $this->shots('[slide: 1] [name] One two. Three. Four.', ['presenter' => 'Wenna']);
        self::assertCount(3, $named[0]->picture->layers);
        $whole = $this->shots('[slide: 1] [name: , Shore instructor] One two. Three. Four.', ['presenter' => 'Wenna']);
        self::assertGreaterThan($named[0]->picture->layers[2]->rect->height, $whole[0]->picture->layers[2]->rect->height);
    }

    public function test_a_card_that_counts_has_a_picture_a_second(): void
    {
        $stills = array_map(fn (string $id): Still => Example::slide($id), ['three', 'two', 'one']);
        $film = Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [
            new SectionInput(
                'q', 'q', new ShotStyle(), card: new CardSource($stills[0], Tick::ofMilliseconds(2600), $stills),
            ),
        ]);

        self::assertSame(
            [[0, 25, 'three'], [25, 25, 'two'], [50, 15, 'one']],
            array_map(function (Shot $s): array {
                $source = $s->picture->layers[0]->source;

                return [$s->offset, $s->frames, $source instanceof Still ? $source->id : ''];
            }, $film->segments[0]->shots),
        );
    }

    /** @return list<string> what lies over the stage */
    private function over(Shot $shot): array
    {
        $kinds = array_map(
            fn (Layer $l): ?StillKind => $l->source instanceof Still ? $l->source->kind : null,
            $shot->picture->layers,
        );

        return array_values(array_map(
            fn (StillKind $k): string => $k->value,
            array_filter($kinds, fn (?StillKind $k): bool => $k === StillKind::Label || $k === StillKind::Laid),
        ));
    }

    /**
     * @param  array<string, mixed>  $style
     * @return list<Shot> of three lines of a second each
     */
    private function shots(string $text, array $style = []): array
    {
        $frame = FrameSize::of(1280, 720);
        $script = Script::parse("## A\n\n{$text}\n");
        $deck = [new CuedSlide('1', Example::slide('one')), new CuedSlide('2', Example::slide('two'))];
        $cues = new PictureCues($script, $deck, HouseStyle::of($style), $frame);
        $lines = ['a', 'b', 'c'];
        $seen = $cues->of($script->sections[0], $lines);
        [$opening, $changes] = [$seen->opening, $seen->changes];
        $take = Example::take('t', [0, 144_000], ['a' => 0, 'b' => 48_000, 'c' => 96_000], Shape::of(1600, 900));
        $source = new SectionInput(
            's', 's', $opening, [new Passage($take, Example::span(0, 144_000), $lines)], $changes, lines: $lines,
            overlays: $cues->overlays($script->sections[0], $lines), emphases: $cues->emphases($script->sections[0]),
        );

        return Assembly::of($frame, FrameRate::of(25), [$source])->segments[0]->shots;
    }
}
