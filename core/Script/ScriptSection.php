<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A stretch of script recorded together: one heading, lines, and the cues among them. */
final readonly class ScriptSection
{
    private const REMEMBERED = 1_000;

    /**
     * @param  string  $headingRow  the heading as written, with its line end; empty for words before the first heading
     * @param  string  $body  everything below it, as written
     * @param  int  $from  byte in the script where the section starts
     * @param  list<Line>  $lines
     * @param  list<Cue>  $cues  in order
     */
    private function __construct(
        public string $heading,
        public string $headingRow,
        public string $body,
        public int $from,
        public array $lines,
        public array $cues,
    ) {
    }

    /** @internal of Script */
    public static function parse(string $heading, string $headingRow, string $body, int $from): self
    {
        $read = self::read($body);
        $bodyFrom = $from + strlen($headingRow);

        return new self(
            $heading,
            $headingRow,
            $body,
            $from,
            array_map(fn (Line $l): Line => $l->moved($bodyFrom), $read->lines),
            array_map(fn (Cue $c): Cue => $c->moved($bodyFrom), $read->cues),
        );
    }

    /** A change of the script reads it two or three times, and nearly all of it is the same each time. */
    private static function read(string $body): SectionBody
    {
        /** @var array<string, SectionBody> $known */
        static $known = [];
        if (! isset($known[$body])) {
            $known = count($known) >= self::REMEMBERED ? [] : $known;
            $lines = LineSplitter::split($body);
            $known[$body] = new SectionBody($lines, self::cues($body, 0, $lines));
        }

        return $known[$body];
    }

    /** A section's text by itself, without its heading. */
    public static function ofText(string $text): self
    {
        return self::parse('', '', $text, 0);
    }

    /** @internal of Script */
    public static function compose(string $heading, string $text): string
    {
        $heading = trim((string) preg_replace('/\s+/u', ' ', $heading));
        // What begins like a heading would be one.
        $text = (string) preg_replace('/^#{1,2}(?!#)/m', '\\\\$0', rtrim($text));

        return "## {$heading}\n".($text === '' ? '' : "\n".ltrim($text, "\r\n")."\n");
    }

    public function source(): string
    {
        return $this->headingRow.$this->body;
    }

    /** Byte behind its last. */
    public function until(): int
    {
        return $this->from + strlen($this->headingRow) + strlen($this->body);
    }

    /** The text without the empty rows around it: what a form shows. */
    public function text(): string
    {
        return rtrim(ltrim($this->body, "\r\n"));
    }

    public function card(): ?CardCue
    {
        foreach ($this->cues as $cue) {
            if ($cue->kind === CueKind::Card && ($card = CardCue::parse($cue)) !== null) {
                return $card;
            }
        }

        return null;
    }

    public function target(): ?\OpenReel\Core\Kernel\Tick
    {
        foreach ($this->cues as $cue) {
            if ($cue->kind === CueKind::Target && $cue->length() !== null) {
                return $cue->length();
            }
        }

        return null;
    }

    /** What the layout cues before its first word say together. */
    public function layout(): LayoutCue
    {
        $layout = new LayoutCue();
        foreach ($this->openingCues(CueKind::Layout) as $cue) {
            $layout = LayoutCue::parse($cue->value)?->over($layout) ?? $layout;
        }

        return $layout;
    }

    /** @return list<Cue> those of a kind before the first word */
    public function openingCues(CueKind $kind): array
    {
        return array_values(
            array_filter($this->cues, fn (Cue $c): bool => $c->kind === $kind && $c->line === 1 && $c->within === 0.0),
        );
    }

    /** The section's text with the cues of one kind before its first word replaced; an empty value takes them away. */
    public function textWithOpening(CueKind $kind, string $value): string
    {
        $text = $this->body;
        $base = $this->from + strlen($this->headingRow);
        foreach (array_reverse($this->openingCues($kind)) as $cue) {
            $end = $cue->until - $base;
            $rest = substr($text, $end);
            $start = rtrim(substr($text, 0, $cue->from - $base), " \t");
            $text =
                $start.
                (preg_match('/^[ \t]*(\r\n|\r|\n)/', $rest, $m) === 1 && ($start === '' || str_ends_with($start, "\n"))
                    ? substr($rest, strlen($m[0]))
                    : ltrim($rest, " \t"));
        }
        $text = rtrim(ltrim($text, "\r\n"));

        $text = ltrim($text);
        // Cues that open a section stand in one row; the words begin below them.
        $joint = Cue::opens($text) ? ' ' : "\n\n";

        return $value === '' ? $text : rtrim(Cue::write($kind, $value).$joint.$text);
    }

    /**
     * @param  list<Line>  $lines
     * @return list<Cue>
     */
    private static function cues(string $body, int $bodyFrom, array $lines): array
    {
        preg_match_all(Cue::PATTERN, $body, $found, PREG_OFFSET_CAPTURE);
        $cues = [];
        $number = 0;
        foreach ($found[0] as [$text, $offset]) {
            $at = $bodyFrom + $offset;
            while (isset($lines[$number]) && $lines[$number]->until <= $at) {
                $number++;
            }
            $line = $lines[$number] ?? null;
            $within =
                $line === null || $at <= $line->from
                    ? 0.0
                    : self::part($line, substr($body, $line->from - $bodyFrom, $at - $line->from));
            $cue = Cue::parse($text, $at);
            if ($cue !== null) {
                $cues[] = $cue->placed($number + 1, $within);
            }
        }

        return $cues;
    }

    /** How much of a line is spoken before a place in it, under 1. */
    private static function part(Line $line, string $before): float
    {
        $spoken = (string) preg_replace('/\s+/u', ' ', (string) preg_replace(Cue::PATTERN, '', $before));

        return min(0.99, strlen($spoken) / max(1, strlen($line->text)));
    }
}
