<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\InsetBorder;
use OpenReel\Core\Picture\InsetShape;
use OpenReel\Core\Picture\InsetSize;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\TransitionCue;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\MusicLevels;
use OpenReel\Core\Sound\NoiseReduction;

/**
 * What the lessons of a course have in common: how they look and sound. A lesson may override any part of it except the
 * frame and its rate, which are copied once when the lesson is made.
 *
 * Kept and sent as an array of the names in StyleSettings; a name that is missing has its default.
 */
final readonly class HouseStyle
{
    /** Frame sizes offered, by shape. */
    public const FRAMES = [
        '16:9' => [[1920, 1080], [1280, 720], [2560, 1440], [3840, 2160]],
        '4:3' => [[1440, 1080], [960, 720]],
        '1:1' => [[1080, 1080], [720, 720]],
        '9:16' => [[1080, 1920], [720, 1280]],
    ];

    public const FACES = ['sans' => 'Atkinson Hyperlegible', 'serif' => 'Source Serif 4'];

    public FrameSize $frame;

    public FrameRate $rate;

    public Layout $layout;

    public Inset $inset;

    public Palette $colours;

    /** Whether what lies behind slide and camera goes from ground to accent. */
    public bool $hasGradient;

    public Typefaces $faces;

    public LogoChoice $logo;

    public CardTemplate $card;

    /** LUFS. */
    public int $soundTarget;

    /** LU. */
    public int $computerUnder;

    public MusicLevels $music;

    /** Whether cards are heard when they come up. */
    public bool $cardSound;

    /** Whether a page is heard when another section begins. */
    public bool $pageSound;

    /** How voices are cleaned. */
    public Cleaning $cleaning;

    /** Milliseconds; 0 leaves pauses as they were spoken. */
    public int $longestPause;

    /** How sections meet, unless one says otherwise. */
    public TransitionCue $join;

    /** Milliseconds that the way from one layout to another takes; 0 is at once. */
    public int $layoutMove;

    /** Whether emphasis is drawn as by hand. */
    public bool $drawsByHand;

    /** Whether the framing hides where the take changes inside a section. */
    public bool $hidesJumps;

    /** Milliseconds. */
    public int $fadeIn;

    public int $fadeOut;

    /** Seconds. */
    public int $countDown;

    public string $presenter;

    /** What the presenter speaks. */
    public Language $language;

    /** `box` or `outline`: captions that are part of the picture. */
    public string $captionLook;

    /** `medium` or `large`. */
    public string $captionSize;

    /** Pattern of the names of films, see FilmName. */
    public string $filmName;

    /** @param  array<string, string|int|null>  $values  every name of StyleSettings */
    private function __construct(private array $values)
    {
        $text = fn (string $name): string => (string) $values[$name];
        $this->frame = FrameSize::of((int) $values['width'], (int) $values['height']);
        $this->rate = FrameRate::of((int) $values['fps']);
        $this->layout = Layout::from($text('layout'));
        $this->inset = new Inset(
            Corner::from($text('inset_corner')),
            InsetSize::from($text('inset_size')),
            InsetShape::from($text('inset_shape')),
            new InsetBorder($text('border'), $text('border_colour')),
            hasShadow: $text('inset_shadow') === 'on',
        );
        $this->hasGradient = $text('background') === 'gradient';
        $this->colours = new Palette(
            Colour::of($text('ground')),
            Colour::of($text('ink')),
            Colour::of($text('paper')),
            Colour::of($text('accent')),
        );
        $this->faces = new Typefaces(self::FACES[$text('heading_face')], self::FACES[$text('text_face')]);
        $this->logo = new LogoChoice(
            $text('logo') === '' ? null : $text('logo'),
            Corner::from($text('logo_corner')),
            InsetSize::from($text('logo_size')),
        );
        $this->card = CardTemplate::from($text('card'));
        $this->soundTarget = (int) $values['sound_target'];
        $this->computerUnder = (int) $values['computer_under'];
        $this->music = new MusicLevels(
            (float) $values['music_under'],
            (float) $values['music_depth'],
            (int) $values['music_attack'],
            (int) $values['music_release'],
        );
        $this->cardSound = $text('card_sound') === 'on';
        $this->pageSound = $text('page_sound') === 'on';
        $this->cleaning = new Cleaning(
            NoiseReduction::from($text('noise_reduction')),
            $text('hum_filter') === 'on',
            $text('low_cut') === 'on',
        );
        $this->longestPause = (int) $values['longest_pause'];
        $this->join = TransitionCue::parse($text('join')) ?? new TransitionCue(TransitionKind::Cut);
        $this->layoutMove = (int) $values['layout_move'];
        $this->drawsByHand = $text('emphasis_look') === 'hand-drawn';
        $this->hidesJumps = $text('hide_jumps') === 'on';
        $this->fadeIn = (int) $values['fade_in'];
        $this->fadeOut = (int) $values['fade_out'];
        $this->countDown = (int) $values['count_down'];
        $this->presenter = $text('presenter');
        $this->language = Language::from($text('language'));
        $this->captionLook = $text('caption_look');
        $this->captionSize = $text('caption_size');
        $this->filmName = $text('film_name');
    }

    /**
     * As it was stored, perhaps by another version of the program: what is not known here, or cannot be any more, is passed over.
     *
     * @param  array<string, mixed>  $values
     */
    public static function stored(array $values): self
    {
        return self::of(self::possible($values));
    }

    /**
     * @param  array<string, mixed>  $values
     *
     * @throws StyleError naming the part that cannot be
     */
    public static function of(array $values): self
    {
        foreach ($values as $name => $value) {
            self::check((string) $name, $value);
        }
        /** @var array<string, string|int|null> $known */
        $known = array_map(
            fn (mixed $v): string|int|null => is_string($v) && preg_match('/^#[0-9a-f]{6}$/iD', $v) === 1
                ? strtoupper(substr($v, 1))
                : $v,
            $values,
        );

        return new self($known + StyleSettings::defaults());
    }

    /**
     * @param  array<string, mixed>  $overrides
     *
     * @throws StyleError
     */
    public function with(array $overrides): self
    {
        return self::of($overrides + $this->values);
    }

    /** @param  array<string, mixed>  $overrides  as they were stored */
    public function withStored(array $overrides): self
    {
        return self::of(self::possible($overrides) + $this->values);
    }

    /** @return array<string, string|int|null> */
    public function toArray(): array
    {
        return $this->values;
    }

    /** @return array<string, string|int|null> only what is not as by default: what is worth keeping */
    public function chosen(): array
    {
        return array_filter(
            $this->values,
            fn (string|int|null $v, string $name): bool => $v !== StyleSettings::all()[$name]->default,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return list<string> sentences about what will be hard to read */
    public function warnings(): array
    {
        $contrast = $this->colours->ink->contrast($this->colours->paper);

        return $contrast >= 4.5
            ? []
            : [
                sprintf(
                    'Ink on paper has a contrast of %.1f to 1: cards will be hard to read. 4.5 to 1 or more is needed.',
                    $contrast,
                ),
            ];
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed> those that can be
     */
    public static function possible(array $values): array
    {
        $known = [];
        foreach (array_intersect_key($values, StyleSettings::all()) as $name => $value) {
            try {
                self::check($name, $value);
                $known[$name] = $value;
            } catch (StyleError) {
                continue;
            }
        }

        return $known;
    }

    /** @throws StyleError */
    private static function check(string $name, mixed $value): void
    {
        $setting = StyleSettings::all()[$name] ?? throw StyleError::unknown($name);
        if (! $setting->allows($value)) {
            throw StyleError::cannotBe($name);
        }
    }
}
