<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\CacheKey;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Soundtrack\SoundPlan;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class CacheKeyTest extends TestCase
{
    public function test_the_same_inputs_have_the_same_key_whatever_their_order(): void
    {
        self::assertSame(
            CacheKey::of('sound', ['a' => 1, 'b' => ['x' => 1, 'y' => 2]], 'v1'),
            CacheKey::of('sound', ['b' => ['y' => 2, 'x' => 1], 'a' => 1], 'v1'),
        );
        self::assertMatchesRegularExpression('/^[0-9a-f]{64}$/', CacheKey::of('sound', [], ''));
    }

    public function test_any_change_makes_another_key(): void
    {
        $keys = [
            CacheKey::of('sound', ['a' => 1], 'v1'),
            CacheKey::of('sound', ['a' => 2], 'v1'),
            CacheKey::of('sound', ['a' => '1'], 'v1'),
            CacheKey::of('sound', ['a' => 1.0], 'v1'),
            CacheKey::of('sound', ['b' => 1], 'v1'),
            CacheKey::of('segment', ['a' => 1], 'v1'),
            CacheKey::of('sound', ['a' => 1], 'v2'),
            CacheKey::of('sound', ['a' => [1, 2]], 'v1'),
            CacheKey::of('sound', ['a' => [2, 1]], 'v1'),
            CacheKey::of('sound', ['a' => null], 'v1'),
        ];

        self::assertCount(count($keys), array_unique($keys));
    }

    public function test_a_segment_is_the_same_wherever_it_stands_in_the_lesson(): void
    {
        $section = Example::section('a', 'One', [100, 96_100]);
        $alone = $this->assembly([$section]);
        $second = $this->assembly([Example::section('b', 'First', [0, 48_000]), $section]);

        self::assertSame($this->picture($alone, 0), $this->picture($second, 1));
        self::assertSame($this->sound($alone, 0), $this->sound($second, 1));
    }

    public function test_everything_that_can_be_seen_is_in_the_key(): void
    {
        $base = Example::section('a', 'One', [100, 96_100]);
        $keys = array_map(fn (Assembly $a): string => $this->picture($a, 0), [
            $this->assembly([$base]),
            $this->assembly([$base], fps: 30),
            $this->assembly([$base], frame: FrameSize::of(1920, 1080)),
            $this->assembly([Example::section('b', 'One', [100, 96_100])]),
            $this->assembly([Example::section('a', 'One', [101, 96_101])]),
            $this->assembly([Example::section('a', 'One', [100, 98_100])]),
            $this->assembly([Example::section('a', 'One', [100, 96_100], Layout::CameraAlone)]),
            $this->assembly([Example::section('a', 'One', [100, 96_100], camera: Shape::of(1280, 720))]),
        ]);

        self::assertCount(count($keys), array_unique($keys));
    }

    public function test_the_house_style_is_in_the_key(): void
    {
        $choice = fn (Inset $inset): SectionInput => new SectionInput(
            'a',
            'One',
            new ShotStyle(Layout::SlideWithInset, $inset, Stage::slide(Example::slide('s'))),
            Example::section('a', 'One', [0, 96_000])->passages,
        );
        $key = fn (Inset $inset, ?LogoPlacement $logo = null, string $ground = '1B2430'): string => $this->picture(
            Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$choice($inset)], new FilmStyle($logo, $ground)),
            0,
        );
        $keys = [
            $key(new Inset()),
            $key(new Inset(shape: InsetShape::Circle)),
            $key(new Inset(shape: InsetShape::Rounded)),
            $key(new Inset(border: new InsetBorder('thin'))),
            $key(new Inset(border: new InsetBorder('thin', '000000'))),
            $key(new Inset(), new LogoPlacement('one', Shape::of(1, 1))),
            $key(new Inset(), new LogoPlacement('two', Shape::of(1, 1))),
            $key(new Inset(), new LogoPlacement('one', Shape::of(1, 1), Corner::BottomLeft)),
            $key(new Inset(), ground: '000000'),
        ];

        self::assertCount(count($keys), array_unique($keys));
    }

    public function test_a_slide_alone_does_not_depend_on_the_take_but_for_its_length(): void
    {
        $one = $this->assembly([Example::section('a', 'One', [100, 96_100], Layout::SlideAlone)]);
        $later = $this->assembly([Example::section('a', 'Another heading', [500, 96_500], Layout::SlideAlone)]);

        self::assertSame($this->picture($one, 0), $this->picture($later, 0));
        self::assertNotSame($this->sound($one, 0), $this->sound($later, 0));
    }

    public function test_the_sound_does_not_depend_on_what_is_seen(): void
    {
        $one = $this->assembly([Example::section('a', 'One', [100, 96_100])]);
        $other = $this->assembly([Example::section('a', 'One', [100, 96_100], Layout::CameraAlone)]);

        self::assertSame($this->sound($one, 0), $this->sound($other, 0));
        self::assertNotSame($this->sound($one, 0), SoundPlan::of($one, -19.0)->places[0]->piece->key('v1'));
    }

    /** @param  list<\OpenReel\Core\Assembly\SectionInput>  $sections */
    private function assembly(array $sections, int $fps = 25, ?FrameSize $frame = null): Assembly
    {
        return Assembly::of($frame ?? FrameSize::of(1280, 720), FrameRate::of($fps), $sections);
    }

    private function picture(Assembly $assembly, int $index): string
    {
        return ShotSpec::of($assembly->segments[$index]->shots[0], $assembly->rate)->key('v1');
    }

    private function sound(Assembly $assembly, int $index): string
    {
        return SoundPlan::of($assembly, -16.0)->places[$index]->piece->key('v1');
    }
}
