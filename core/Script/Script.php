<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/**
 * A whole lesson's script: `# title`, `## section heading`, paragraphs of narration, cues in brackets. Described in
 * docs/formats.md.
 *
 * Nothing is lost in reading: the pieces joined again are the text, byte for byte. Any text is a script.
 */
final readonly class Script
{
    /** Each is recorded by itself and becomes a chapter; five times as many as the longest lesson anybody planned. */
    public const MOST_SECTIONS = 1_000;

    private const BOM = "\xEF\xBB\xBF";

    private const HEADING = '/^(#{1,2})(?!#)[ \t]*(.*?)(?:[ \t]+#+)?[ \t]*$/u';

    /**
     * @param  string  $head  everything before the first section: the title's row and the lesson's own cues
     * @param  string|null  $title  null when the text has none
     * @param  list<ScriptSection>  $sections
     * @param  list<Cue>  $cues  the lesson's own, in the head
     */
    private function __construct(public string $head, public ?string $title, public array $sections, public array $cues)
    {
    }

    /** @param  string  $text  Markdown in UTF-8; words before the first heading make a section without a heading */
    public static function parse(string $text): self
    {
        $text = mb_scrub($text, 'UTF-8');
        [$head, $title, $pieces] = self::pieces($text);
        $at = strlen($head);
        $sections = [];
        foreach ($pieces as [$heading, $headingRow, $body]) {
            $sections[] = ScriptSection::parse($heading, $headingRow, $body, $at);
            $at += strlen($headingRow) + strlen($body);
        }

        return new self($head, $title, $sections, self::headCues($head));
    }

    /**
     * A script of these sections, laid out as a person would.
     *
     * @param  list<SectionText>  $sections
     */
    public static function compose(?string $title, array $sections): self
    {
        $text = $title === null || trim($title) === '' ? '' : '# '.self::oneRow($title)."\n";
        foreach ($sections as $section) {
            $text .= ($text === '' ? '' : "\n").ScriptSection::compose($section->heading, $section->text);
        }

        return self::parse($text);
    }

    public function write(): string
    {
        return $this->head.implode('', array_map(fn (ScriptSection $s): string => $s->source(), $this->sections));
    }

    public function withTitle(string $title): self
    {
        $row = '# '.self::oneRow($title);
        $head =
            $this->title === null
                ? $row."\n".(trim($this->head) === '' ? ($this->sections === [] ? '' : "\n") : "\n".ltrim($this->head))
                : // The head holds no other heading; cues of the lesson may stand above it.
                (string) preg_replace_callback(
                    '/^(\xEF\xBB\xBF)?#(?!#)[^\r\n]*/m',
                    fn (array $m): string => ($m[1] ?? '').$row,
                    $this->head,
                    1,
                );

        return self::parse($head.substr($this->write(), strlen($this->head)));
    }

    /** With one section's heading and text changed; the other sections stay to the byte. */
    public function withSection(int $index, string $heading, string $text): self
    {
        $sources = array_map(fn (ScriptSection $s): string => $s->source(), $this->sections);
        $last = $index === count($sources) - 1;
        $sources[$index] = ScriptSection::compose($heading, $text).($last ? '' : "\n");

        return $this->withSources(array_values($sources));
    }

    /** @param  int  $index  where the new section stands then */
    public function withInserted(int $index, string $heading, string $text): self
    {
        $sources = $this->parted();
        array_splice($sources, $index, 0, [ScriptSection::compose($heading, $text)."\n"]);

        return $this->withSources($sources);
    }

    public function without(int $index): self
    {
        $sources = array_map(fn (ScriptSection $s): string => $s->source(), $this->sections);
        array_splice($sources, $index, 1);

        return $this->withSources($sources);
    }

    /** @param  list<int>  $order  every index once */
    public function inOrder(array $order): self
    {
        $sources = $this->parted();

        return $this->withSources(array_map(fn (int $i): string => $sources[$i], $order));
    }

    /** The lesson's target, when the head names one. */
    public function target(): ?\OpenReel\Core\Kernel\Tick
    {
        foreach ($this->cues as $cue) {
            if ($cue->kind === CueKind::Target && $cue->length() !== null) {
                return $cue->length();
            }
        }

        return null;
    }

    /** @return list<Line> of all sections */
    public function lines(): array
    {
        return array_merge(...array_map(fn (ScriptSection $s): array => $s->lines, $this->sections));
    }

    /** @param  list<string>  $sources */
    private function withSources(array $sources): self
    {
        $head =
            $this->head === '' || $sources === [] || str_ends_with($this->head, "\n\n")
                ? $this->head
                : rtrim($this->head)."\n\n";
        foreach ($sources as $index => $source) {
            // A section that could not be told from the one before it would melt into it.
            if ($index > 0 && preg_match('/^#{1,2}(?!#)/', $source) !== 1) {
                $sources[$index] = "## \n\n".$source;
            }
        }

        return self::parse($head.implode('', $sources));
    }

    /** @return list<string> sections that end in an empty row, so that they can stand in any order */
    private function parted(): array
    {
        return array_map(fn (ScriptSection $s): string => rtrim($s->source(), "\r\n")."\n\n", $this->sections);
    }

    /**
     * @return array{string, string|null, list<array{string, string, string}>} head, title, and per section its heading, the
     *    heading's row, its body
     */
    private static function pieces(string $text): array
    {
        $head = '';
        $title = null;
        $pieces = [];
        preg_match_all('/[^\r\n]*(?:\r\n|\r|\n)|[^\r\n]+$/', $text, $rows);
        foreach ($rows[0] as $number => $row) {
            $bare = rtrim($number === 0 ? (string) preg_replace('/^'.self::BOM.'/', '', $row) : $row, "\r\n");
            if (preg_match(self::HEADING, $bare, $match) === 1) {
                if ($match[1] === '#' && $title === null && $pieces === [] && $match[2] !== '') {
                    $title = $match[2];
                    $head .= $row;
                } else {
                    $pieces[] = [$match[2], $row, ''];
                }
            } elseif ($pieces !== []) {
                $pieces[count($pieces) - 1][2] .= $row;
            } elseif (
                trim((string) preg_replace(Cue::PATTERN, '', str_replace(self::BOM, '', $bare))) === '' &&
                ! self::opensSection($bare)
            ) {
                $head .= $row;
            } else {
                $pieces[] = ['', '', $row];
            }
        }

        return [$head, $title, array_values(array_map(fn (array $p): array => [$p[0], $p[1], $p[2]], $pieces))];
    }

    /** Of the cues that stand alone before the first heading, only these two belong to the lesson. */
    private static function opensSection(string $row): bool
    {
        preg_match_all(Cue::PATTERN, $row, $cues);

        return array_diff(array_map(strtolower(...), $cues[1]), [CueKind::Target->value, CueKind::Note->value]) !== [];
    }

    /** @return list<Cue> */
    private static function headCues(string $head): array
    {
        preg_match_all(Cue::PATTERN, $head, $found, PREG_OFFSET_CAPTURE);

        return array_values(array_filter(array_map(fn (array $f): ?Cue => Cue::parse($f[0], $f[1]), $found[0])));
    }

    private static function oneRow(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
