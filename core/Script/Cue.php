<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Kernel\Tick;

/** Something that happens at a place in the script. */
final readonly class Cue
{
    /** A pause or a card longer than this is a slip of the finger: ten minutes. */
    private const LONGEST_SECONDS = 600.0;

    /** One cue in brackets; an escaped bracket (`\[pause]`) is text. */
    public const PATTERN = '/(?<!\\\\)'.self::BRACKET.'/iu';

    private const BRACKET = '\[(slide|pause|layout|note|target|card|screen|board|keys|join|zoom|emphasis|label|picture|'
        .'name|music|speed|background|step|camera\s+alone)'
        .'(?:\s*:\s*|\s+|(?=\]))([^\[\]\r\n]*)\]';

    /**
     * @param  string  $value  what stands behind the word, white space at its ends removed
     * @param  int  $from  byte of the opening bracket in the script
     * @param  int  $until  byte behind the closing bracket
     * @param  int  $line  number of the line it stands before or in, counted from 1 within the section; one more than
     *                     there are when it stands behind the last
     * @param  float  $within  0 before that line, else the part of the line already spoken, under 1
     */
    public function __construct(
        public CueKind $kind,
        public string $value,
        public int $from,
        public int $until,
        public int $line = 1,
        public float $within = 0.0,
    ) {
    }

    /**
     * @param  string  $text  one cue with its brackets
     * @param  int  $from  byte where it stands in the script
     */
    public static function parse(string $text, int $from): ?self
    {
        if (preg_match(self::PATTERN, $text, $match) !== 1) {
            return null;
        }

        $word = strtolower((string) preg_replace('/\s+/', ' ', $match[1]));

        return new self(CueKind::from($word), trim($match[2]), $from, $from + strlen($match[0]));
    }

    public static function opens(string $text): bool
    {
        return preg_match('/^'.self::BRACKET.'/iu', $text) === 1;
    }

    public static function write(CueKind $kind, string $value = ''): string
    {
        $value = trim((string) preg_replace('/[\[\]\s]+/u', ' ', $value));

        return match (true) {
            $value === '' => "[{$kind->value}]",
            $kind === CueKind::Pause, $kind === CueKind::Target => "[{$kind->value} {$value}]",
            default => "[{$kind->value}: {$value}]",
        };
    }

    /** As it is written, with its brackets. */
    public function source(): string
    {
        return self::write($this->kind, $this->value);
    }

    public function placed(int $line, float $within): self
    {
        return new self($this->kind, $this->value, $this->from, $this->until, $line, $within);
    }

    /** The same cue in a text that stands so many bytes further on. */
    public function moved(int $bytes): self
    {
        return new self($this->kind, $this->value, $this->from + $bytes, $this->until + $bytes, $this->line, $this->within);
    }

    /**
     * The length it names: `2`, `2 s`, `2.5 seconds`, `1:30`, `1 min`, `1 min 30 s`; a card names it behind a comma.
     *
     * @return Tick|null null when it names none, or more than ten minutes
     */
    public function length(): ?Tick
    {
        $text = strtolower(trim($this->kind === CueKind::Card ? (string) strrchr($this->value, ',') : $this->value, " \t,"));
        $clock = '/^(\d{1,2}):(\d{2})$/';
        $seconds = '/^(\d+(?:[.,]\d+)?)\s*(?:s|sec|secs|seconds?)?$/';
        $minutes = '/^(\d+)\s*(?:m|min|mins|minutes?)(?:\s*(\d{1,2})\s*(?:s|sec|secs|seconds?)?)?$/';
        $length = match (true) {
            preg_match($clock, $text, $m) === 1 => 60 * (int) $m[1] + (int) $m[2],
            preg_match($seconds, $text, $m) === 1 => (float) str_replace(',', '.', $m[1]),
            preg_match($minutes, $text, $m) === 1 => 60 * (int) $m[1] + (int) ($m[2] ?? 0),
            default => null,
        };
        $isTooLong = $length > 60_000 || $length > self::LONGEST_SECONDS && $this->kind !== CueKind::Target;

        return $length === null || $isTooLong ? null : Tick::ofSeconds((float) $length);
    }

    private static function laidProblem(string $value, int $numbers, string $example): ?string
    {
        $options = Options::parse($value, $numbers);

        return $options->words === '' || $options->at === null
            ? "\"{$value}\" says not what is to be seen, or not where. Write [{$example}]: its place in per cent of the stage."
            : null;
    }

    /** What is wrong with it, as a sentence; null when it can be followed. */
    public function problem(): ?string
    {
        return match ($this->kind) {
            CueKind::Slide => null,
            CueKind::Pause, CueKind::Target => $this->length() === null
                ? "\"[{$this->kind->value} {$this->value}]\" names no length. Write [{$this->kind->value} 2 s] or "
                    ."[{$this->kind->value} 1:30]."
                : null,
            CueKind::Layout => LayoutCue::parse($this->value) === null
                ? "\"{$this->value}\" is no layout. Write [layout: slide with inset], [layout: slide alone], "
                    .'[layout: side by side] or [layout: camera alone].'
                : null,
            CueKind::Card => CardCue::parse($this) === null
                ? "\"{$this->value}\" is no card. Write [card: opening, 5 s], [card: divider, 3 s], [card: closing, 5 s], "
                    .'[card: quotation, 6 s] or [card: question, 8 s].'
                : null,
            CueKind::Screen => $this->value === ''
                ? 'A screen is asked for, and nobody says what is to be seen on it. Write [screen: the tide gauge].'
                : null,
            CueKind::Board => BoardCue::parse($this->value) === null
                ? "\"{$this->value}\" is no page of the board. Write [board], [board: 2] or [board: 2, squared]."
                : null,
            CueKind::CameraAlone => $this->value === '' ? null : 'Write [camera alone] without anything behind it.',
            CueKind::Keys => Keys::parse($this->value) === [] ? 'No keys are named. Write [keys: Ctrl+S].' : null,
            CueKind::Join => TransitionCue::parse($this->value) === null
                ? "\"{$this->value}\" is no join. Write [join: dissolve, 0.5 s], [join: push, 0.5 s], "
                    .'[join: dip, 1 s] or [join: cut].'
                : null,
            CueKind::Zoom => ZoomCue::parse($this->value) === null
                ? "\"{$this->value}\" is no part of the picture. Write [zoom: 20 10 40] (left, top and width in per cent) or "
                    .'[zoom: out].'
                : null,
            CueKind::Emphasis => EmphasisCue::parse($this->value) === null
                ? "\"{$this->value}\" cannot be drawn. Write [emphasis: box 20 10 30 12], round, underline, arrow or spotlight "
                    .'and its place in per cent; or [emphasis: none].'
                : null,
            CueKind::Music => MusicCue::parse($this->value) === null
                ? "\"{$this->value}\" is no music. Write [music: Slack water], and if you like behind commas a level (-3 dB), "
                    .'in 2 s, out 4 s, once; or [music: none].'
                : null,
            CueKind::Speed => SpeedCue::parse($this->value) === null
                ? "\"{$this->value}\" is no speed. Write [speed: 4 x] (2 to 16) or [speed: cut] before the word "
                    .'that follows a silence.'
                : null,
            CueKind::Step => preg_match('/^\d{0,2}$/', $this->value) === 1
                ? null
                : "\"{$this->value}\" is no step. Write [step] for the next one, or [step: 2].",
            CueKind::Background => BackgroundCue::parse($this->value) === null
                ? 'No background is named. Write [background: gradient], [background: accent], [background: 1B2430] or the '
                    .'name of a slide.'
                : null,
            CueKind::Label => self::laidProblem($this->value, 2, 'label: The sill, at 20 10'),
            CueKind::Picture => self::laidProblem($this->value, 3, 'picture: Tide clock, at 60 10 30'),
            CueKind::Name => null,
            CueKind::Note => null,
        };
    }
}
