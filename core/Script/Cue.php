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

    /** What is wrong with it, as a sentence; null when it can be followed. */
    public function problem(): ?string
    {
        return CueProblem::of($this);
    }
}
