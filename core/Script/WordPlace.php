<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** A place in a section's words. */
final readonly class WordPlace
{
    /**
     * @param  int  $line  counted from 1 within the section
     * @param  float  $within  part of that line that is spoken before, 0..1
     */
    public function __construct(public int $line, public float $within = 0.0)
    {
    }

    public static function of(Cue $cue): self
    {
        return new self($cue->line, $cue->within);
    }

    /** Before the word of that number, counted from 0; behind the last one, before the next line. */
    public static function before(Line $line, int $word): self
    {
        preg_match_all('/\S+/u', $line->text, $words, PREG_OFFSET_CAPTURE);
        $at = $words[0][$word][1] ?? null;

        return $at === null ? new self($line->number + 1) : new self($line->number, $at / max(1, strlen($line->text)));
    }

    /** The number of the word that is said next, counted from 0. */
    public function wordIn(Line $line): int
    {
        preg_match_all('/\S+/u', $line->text, $words, PREG_OFFSET_CAPTURE);
        // Half a letter of leeway: what is measured in the script counts white space that is folded here.
        $at = $this->within * strlen($line->text) - 0.5;

        return count(array_filter($words[0], fn (array $word): bool => $word[1] < $at));
    }

    public function isBefore(self $other): bool
    {
        return [$this->line, $this->within] < [$other->line, $other->within];
    }

    public function opensSection(): bool
    {
        return $this->line === 1 && $this->within === 0.0;
    }
}
