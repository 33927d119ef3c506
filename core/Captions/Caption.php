<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\Tick;

/** One or two rows of text, and from when until when in the film they are seen. */
final readonly class Caption
{
    /**
     * @param  non-empty-list<string>  $rows
     * @param  list<TimedWord>  $words  that are said meanwhile
     * @param  string  $section  id of the section in which they are said
     * @param  bool  $isChecked  a person has read it, as it is
     */
    public function __construct(
        public array $rows,
        public Tick $from,
        public Tick $until,
        public array $words = [],
        public string $section = '',
        public bool $isChecked = false,
    ) {
    }

    public function text(): string
    {
        return implode(' ', $this->rows);
    }

    /** Something is said that nobody has written yet: it is not shown. */
    public function isToFill(): bool
    {
        return $this->rows === [FilmCaptions::TO_FILL];
    }

    /** The words that are said, as the script has them. */
    public function said(): string
    {
        return EditedCaption::words($this->words);
    }

    /**
     * The same words with other text, read by a person; null lays them out by the rules.
     *
     * @param  list<string>|null  $rows
     */
    public function set(?array $rows, bool $isChecked = true): EditedCaption
    {
        [$first] = $this->words;
        $isUsual = $rows === null || $rows === $this->usual();

        return new EditedCaption($first->line, $first->number, $this->said(), $isUsual ? [] : $rows, $isChecked);
    }

    /**
     * Where it ends and the next one begins, some words later.
     *
     * @param  int  $by  words; below zero earlier
     * @return array{EditedCaption, EditedCaption}|null null when nothing would be left of one
     */
    public function endLater(self $next, int $by): ?array
    {
        $all = [...$this->words, ...$next->words];
        $end = count($this->words) + $by;
        if ($end < 1 || $end >= count($all)) {
            return null;
        }

        return [$this->for(array_slice($all, 0, $end)), $next->for(array_slice($all, $end))];
    }

    /**
     * For other words, to be read again. What somebody typed stays: only its times are others.
     *
     * @param  list<TimedWord>  $words
     */
    private function for(array $words): EditedCaption
    {
        $rows = $this->rows === $this->usual() ? null : $this->rows;

        return (new self($this->rows, $this->from, $this->until, $words))->set($rows, false);
    }

    /** @return string|null a sentence; null when it can be read in its time and seen on a phone */
    public function problem(): ?string
    {
        $seconds = max(0.04, $this->until->minusOrZero($this->from)->seconds());
        $speed = mb_strlen($this->text()) / $seconds;
        $longest = max(array_map(mb_strlen(...), $this->rows));

        return match (true) {
            count($this->rows) > 2 => 'It has more than two rows.',
            $longest > CaptionLines::CHARACTERS => "A row has {$longest} characters; ".CaptionLines::CHARACTERS.' can be seen on a phone.',
            $speed > CaptionSegmenter::CHARACTERS_A_SECOND + 0.5 => sprintf(
                'There are %.0f characters a second to be read; most people read %.0f.', $speed, CaptionSegmenter::CHARACTERS_A_SECOND,
            ),
            default => null,
        };
    }

    /** @return non-empty-list<string> the words it stands for as the rules lay them out */
    private function usual(): array
    {
        return CaptionLines::broken(array_map(fn (TimedWord $w): string => $w->text, $this->words));
    }

    /**
     * What was checked here before the words were changed.
     *
     * @param  list<EditedCaption>  $gone
     * @return string|null its text; null when it is checked as it stands, or never was
     */
    public function before(array $gone): ?string
    {
        foreach ($this->isChecked ? [] : $gone as $set) {
            foreach ($this->words as $word) {
                if ($word->line === $set->line && $word->number === $set->word) {
                    return $set->text();
                }
            }
        }

        return null;
    }

    public function until(Tick $until): self
    {
        return new self($this->rows, $this->from, $until, $this->words, $this->section, $this->isChecked);
    }

    public function in(string $section): self
    {
        return new self($this->rows, $this->from, $this->until, $this->words, $section, $this->isChecked);
    }
}
