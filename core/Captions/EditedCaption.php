<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** A caption as a person wants it, for as long as the script says these words. */
final readonly class EditedCaption
{
    /**
     * @param  string  $line  id of the line in which it begins
     * @param  int  $word  the word of that line with which it begins, counted from 0
     * @param  string  $was  the words that are said, as the script had them, a space between them
     * @param  list<string>  $rows  what is shown; none to have the words laid out by the rules
     * @param  bool  $isChecked  a person has read it
     * @param  string  $id  by which it is kept
     */
    public function __construct(
        public string $line,
        public int $word,
        public string $was,
        public array $rows = [],
        public bool $isChecked = true,
        public string $id = '',
    ) {
    }

    /** @param  list<TimedWord>  $words */
    public static function words(array $words): string
    {
        return implode(' ', array_map(fn (TimedWord $w): string => $w->text, $words));
    }

    /** What was shown. */
    public function text(): string
    {
        return $this->rows === [] ? $this->was : implode(' ', $this->rows);
    }

    public function count(): int
    {
        return substr_count($this->was, ' ') + 1;
    }

    /**
     * Whether the words it is for are said from one on.
     *
     * @param  list<TimedWord>  $words
     */
    public function fits(array $words, int $from): bool
    {
        return isset($words[$from]) && $words[$from]->line === $this->line &&
            self::words(array_slice($words, $from, $this->count())) === $this->was;
    }
}
