<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\TransitionCue;
use OpenReel\Core\Sound\NoiseReduction;

/** Every setting of a course style, by subject: what can be stored, and what the form is drawn from. */
final class StyleSettings
{
    /** Chosen once for a lesson, when it is made. */
    public const ONCE = 'frame';

    /** @var array<string, list<StyleSetting>>|null */
    private static ?array $groups = null;

    /** @var array<string, StyleSetting>|null */
    private static ?array $all = null;

    /** @return array<string, StyleSetting> by name */
    public static function all(): array
    {
        return self::$all ??= array_column(array_merge(...array_values(self::groups())), null, 'name');
    }

    /** @return array<string, string|int|null> what each is unless it is chosen, by name */
    public static function defaults(): array
    {
        return array_map(fn (StyleSetting $s): string|int|null => $s->default, self::all());
    }

    /** @return list<string> names of what is chosen once for a lesson */
    public static function once(): array
    {
        return array_column(self::groups()[self::ONCE], 'name');
    }

    /** @return array<string, list<StyleSetting>> by subject, in the order in which a form shows them */
    public static function groups(): array
    {
        return self::$groups ??= [
            self::ONCE => self::frame(),
            'picture' => self::picture(),
            'cards' => self::cards(),
            'logo' => [
                StyleSetting::id('logo'),
                StyleSetting::case('logo_corner', Corner::TopLeft),
                StyleSetting::case('logo_size', InsetSize::Small),
            ],
            'transitions' => self::transitions(),
            'music' => self::music(),
            'films' => [
                StyleSetting::oneOf('caption_look', 'box', ['box', 'outline']),
                StyleSetting::oneOf('caption_size', 'medium', ['medium', 'large']),
                StyleSetting::text('film_name', FilmName::USUAL, fn (string $name): bool => FilmName::unknown($name) === []),
            ],
            'recording' => self::recording(),
        ];
    }

    /** @return list<StyleSetting> */
    private static function frame(): array
    {
        $sizes = array_merge(...array_values(HouseStyle::FRAMES));

        return [
            StyleSetting::oneOf('width', 1920, array_values(array_unique(array_merge(...$sizes)))),
            StyleSetting::oneOf('height', 1080, array_values(array_unique(array_merge(...$sizes)))),
            StyleSetting::oneOf('fps', 25, FrameRate::OFFERED),
        ];
    }

    /** @return list<StyleSetting> */
    private static function picture(): array
    {
        return [
            StyleSetting::case('layout', Layout::SlideWithInset),
            StyleSetting::case('inset_corner', Corner::BottomRight),
            StyleSetting::case('inset_size', InsetSize::Medium),
            StyleSetting::case('inset_shape', InsetShape::Rectangle),
            StyleSetting::oneOf('border', 'none', array_keys(InsetBorder::WIDTHS)),
            StyleSetting::colour('border_colour', 'FFFFFF'),
            StyleSetting::switched('inset_shadow', false),
            StyleSetting::colour('ground', '1B2430'),
            StyleSetting::oneOf('background', 'plain', ['plain', 'gradient']),
        ];
    }

    /** @return list<StyleSetting> */
    private static function cards(): array
    {
        return [
            StyleSetting::case('card', CardTemplate::Page),
            StyleSetting::oneOf('heading_face', 'serif', array_keys(HouseStyle::FACES)),
            StyleSetting::oneOf('text_face', 'sans', array_keys(HouseStyle::FACES)),
            StyleSetting::colour('paper', 'FAF8F3'),
            StyleSetting::colour('ink', '1B2430'),
            StyleSetting::colour('accent', '0B5D66'),
            StyleSetting::text('presenter', ''),
        ];
    }

    /** @return list<StyleSetting> */
    private static function transitions(): array
    {
        // Milliseconds.
        $fades = [0, 500, 1000, 2000];

        return [
            StyleSetting::open('join', 'cut', TransitionCue::OFFERED, fn (mixed $value): bool => is_string($value) &&
                TransitionCue::parse($value) !== null),
            // Milliseconds that the way from one layout to another takes.
            StyleSetting::oneOf('layout_move', 0, [0, 300, 600, 1000]),
            StyleSetting::oneOf('emphasis_look', 'plain', ['plain', 'hand-drawn']),
            StyleSetting::switched('hide_jumps', true),
            StyleSetting::oneOf('fade_in', 0, $fades),
            StyleSetting::oneOf('fade_out', 0, $fades),
        ];
    }

    /** @return list<StyleSetting> */
    private static function music(): array
    {
        return [
            // LU by which music lies under the voice while nobody speaks, and dB by which it steps back while somebody does.
            StyleSetting::oneOf('music_under', 6, [0, 3, 6, 9, 12]),
            StyleSetting::oneOf('music_depth', 12, [6, 9, 12, 15, 20]),
            // Milliseconds it takes to step back, and to come again.
            StyleSetting::oneOf('music_attack', 300, [100, 300, 600]),
            StyleSetting::oneOf('music_release', 1200, [600, 1200, 2500]),
            StyleSetting::switched('card_sound', false),
            StyleSetting::switched('page_sound', false),
        ];
    }

    /** @return list<StyleSetting> */
    private static function recording(): array
    {
        return [
            StyleSetting::case('language', Language::English),
            // Seconds.
            StyleSetting::open('count_down', 3, [0, 3, 5, 10], fn (mixed $value): bool => is_int($value) &&
                $value >= 0 && $value <= 10),
            // LUFS. -16 for speech on the web (AES TD1008), -14 as many music services play, -23 for broadcast (EBU R128).
            StyleSetting::oneOf('sound_target', -16, [-14, -16, -18, -23]),
            // LU by which the computer's sound lies under the voice.
            StyleSetting::oneOf('computer_under', 12, [6, 12, 18, 24]),
            StyleSetting::case('noise_reduction', NoiseReduction::Off),
            StyleSetting::switched('hum_filter', false),
            StyleSetting::switched('low_cut', false),
            // Milliseconds to which longer pauses are shortened; 0 leaves them as they were spoken.
            StyleSetting::oneOf('longest_pause', 0, [0, 500, 700, 1000]),
        ];
    }
}
