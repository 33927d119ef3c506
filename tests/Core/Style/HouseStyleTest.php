<?php

declare(strict_types=1);

namespace Tests\Core\Style;

use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Style\StyleError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class HouseStyleTest extends TestCase
{
    public function test_how_sections_meet_is_said_as_a_cue_says_it(): void
    {
        self::assertSame([TransitionKind::Cut, TransitionKind::Dissolve], [
            HouseStyle::of([])->join->kind, HouseStyle::of(['join' => 'dissolve, 0.5 s'])->join->kind,
        ]);
        self::assertSame(TransitionKind::Cut, HouseStyle::stored(['join' => 'sideways'])->join->kind);
        $this->expectException(StyleError::class);
        HouseStyle::of(['join' => 'sideways']);
    }

    public function test_what_is_not_said_is_as_by_default(): void
    {
        $style = HouseStyle::of(['layout' => 'camera-alone', 'accent' => '#a1b2c3']);

        self::assertSame(Layout::CameraAlone, $style->layout);
        self::assertSame('A1B2C3', $style->colours->accent->hex);
        self::assertSame(-16, $style->soundTarget);
        self::assertSame(['layout' => 'camera-alone', 'accent' => 'A1B2C3'], $style->chosen());
        self::assertNull($style->logo->id);
    }

    public function test_a_lesson_overrides_some_of_it(): void
    {
        $style = HouseStyle::of(['inset_shape' => 'circle', 'border' => 'thick'])->with([
            'inset_shape' => 'rounded',
            'count_down' => 0,
        ]);

        self::assertSame(InsetShape::Rounded, $style->inset->shape);
        self::assertSame('thick', $style->inset->border->width);
        self::assertSame(0, $style->countDown);
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function wrong(): iterable
    {
        yield 'colour' => ['ink', 'red', 'The ink is written as six digits'];
        yield 'count-down' => ['count_down', 11, 'from 0 to 10 seconds'];
        yield 'count-down as text' => ['count_down', '3', 'from 0 to 10 seconds'];
        yield 'frame' => ['width', 1234, 'one of the choices for the frame'];
        yield 'rate' => ['fps', 29, 'frame rate'];
        yield 'loudness' => ['sound_target', 0, 'loudness'];
        yield 'the computer' => ['computer_under', 5, "level of the computer's sound"];
        yield 'layout' => ['layout', 'upside-down', 'layout'];
        yield 'name' => ['presenter', str_repeat('x', 101), '100 characters'];
        yield 'unknown' => ['wallpaper', 'blue', 'no part called "wallpaper"'];
        yield 'a colour and a row' => ['accent', "0B5D66\n", 'accent'];
        yield 'list' => ['card', ['page'], 'card template'];
    }

    #[DataProvider('wrong')]
    public function test_what_cannot_be_is_refused_by_name(string $name, mixed $value, string $says): void
    {
        $this->expectException(StyleError::class);
        $this->expectExceptionMessage($says);
        HouseStyle::of([$name => $value]);
    }

    public function test_colours_that_cannot_be_read_are_pointed_out(): void
    {
        self::assertSame([], HouseStyle::of([])->warnings());
        self::assertStringContainsString('1.3 to 1', HouseStyle::of(['ink' => 'DDDDDD', 'paper' => 'FAF8F3'])->warnings()[0]);
    }

    public function test_what_was_stored_and_is_not_known_any_more_is_passed_over(): void
    {
        $style = HouseStyle::stored(['accent' => 'a1b2c3', 'sparkle' => 7, 'card' => 'gone', 'count_down' => '3', 'fps' => 30]);

        self::assertSame(
            ['A1B2C3', 'page', 3, 30],
            [$style->colours->accent->hex, $style->card->value, $style->countDown, $style->rate->fps],
        );
        self::assertSame('0B5D66', HouseStyle::stored(['accent' => []])->colours->accent->hex);
        self::assertSame(30, $style->withStored(['fps' => 'many'])->rate->fps, 'as before');
    }
}
