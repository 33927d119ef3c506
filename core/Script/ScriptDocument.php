<?php

namespace OpenReel\Core\Script;

/**
 * A whole lesson's script as plain Markdown: `# title`, `## section heading`, paragraphs of narration.
 * Described in docs/formats.md.
 */
final readonly class ScriptDocument
{
    /** @param  list<array{heading: string, text: string}>  $sections */
    public function __construct(public string $title, public array $sections)
    {
    }

    /**
     * Words before the first section heading become a section named after the title.
     *
     * @throws ScriptProblem when there is no section, or a heading without text
     */
    public static function read(string $markdown): self
    {
        $title = '';
        $sections = [];
        $current = null;
        $rows = preg_split('/\R/u', mb_scrub(preg_replace('/^\xEF\xBB\xBF/', '', $markdown) ?? '', 'UTF-8')) ?: [];

        foreach ($rows as $index => $row) {
            if (preg_match('/^(#{1,2})(?!#)\s*(.*?)\s*#*\s*$/u', $row, $match) === 1) {
                if ($match[2] === '') {
                    throw ScriptProblem::headingWithoutText($index + 1);
                }
                if ($match[1] === '#' && $title === '') {
                    $title = $match[2];

                    continue;
                }
                $current = count($sections);
                $sections[] = ['heading' => $match[2], 'text' => ''];
            } elseif ($current !== null) {
                $sections[$current]['text'] .= $row."\n";
            } elseif (trim($row) !== '') {
                $current = 0;
                $sections[] = ['heading' => $title, 'text' => $row."\n"];
            }
        }
        if ($sections === []) {
            throw ScriptProblem::empty();
        }

        return new self($title, array_map(
            fn (array $s): array => ['heading' => $s['heading'], 'text' => trim($s['text'])],
            $sections,
        ));
    }

    public function write(): string
    {
        $out = "# {$this->title}\n";
        foreach ($this->sections as $section) {
            $out .= "\n## {$section['heading']}\n".($section['text'] === '' ? '' : "\n{$section['text']}\n");
        }

        return $out;
    }
}
