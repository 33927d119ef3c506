<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/** Gathers a word processor's paragraphs into the text of a script. */
final class ScriptText
{
    /** Longer than a script can be; reading on would only cost memory. */
    private const LONGEST = 500_000;

    private int $length = 0;

    /** @var list<array{string, int, bool}> words, heading level (0 for none), whether it is an item of a list */
    private array $paragraphs = [];

    /** @param  string  $name  what the file was called, for messages */
    public function __construct(private readonly string $name)
    {
    }

    /**
     * @param  int  $level  0 for no heading, 1 the highest
     *
     * @throws UnreadableFile when it becomes longer than a script can be
     */
    public function paragraph(string $words, int $level, bool $isItem): void
    {
        $words = trim((string) preg_replace('/\s+/u', ' ', $words));
        if ($words !== '') {
            $this->paragraphs[] = [$words, $level, $isItem];
            $this->length += mb_strlen($words);
            if ($this->length > self::LONGEST) {
                throw UnreadableFile::because("\"{$this->name}\" has more than 500,000 characters. Bring it in in parts.");
            }
        }
    }

    /**
     * A single highest heading that opens the text is the title; the highest level below it makes the sections, and
     * deeper ones stay words of their own.
     */
    public function text(): string
    {
        $levels = array_filter(array_column($this->paragraphs, 1));
        $top = $levels === [] ? 0 : min($levels);
        $hasTitle =
            ($this->paragraphs[0][1] ?? 0) === $top &&
            $top > 0 &&
            count(array_keys($levels, $top, true)) === 1 &&
            count($levels) > 1;
        $rest = array_filter($levels, fn (int $l): bool => ! $hasTitle || $l > $top);
        $section = $rest === [] ? $top : min($rest);
        $out = '';
        $afterItem = false;
        foreach ($this->paragraphs as $i => [$words, $level, $isItem]) {
            $mark = match (true) {
                $hasTitle && $i === 0 => '# ',
                $level > 0 && $level === $section => '## ',
                $isItem => '- ',
                default => '',
            };
            $out .= ($out === '' ? '' : ($afterItem && $isItem ? "\n" : "\n\n")).$mark.self::escaped($words, $mark);
            $afterItem = $isItem;
        }

        return $out === '' ? '' : $out."\n";
    }

    /** Words that happen to look like a heading are no heading. */
    private static function escaped(string $words, string $mark): string
    {
        return $mark === '' || $mark === '- ' ? (string) preg_replace('/^#/', '\\#', $words) : $words;
    }
}
