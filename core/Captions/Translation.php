<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

/** What a caption says in another language, for as long as the script says these words. */
final readonly class Translation
{
    /**
     * @param  string  $line  id of the line in which the caption begins
     * @param  int  $word  the word of that line with which it begins, counted from 0
     * @param  string  $was  the words that are said, a space between them
     * @param  string  $text  rows parted by line ends
     */
    public function __construct(public string $line, public int $word, public string $was, public string $text)
    {
    }

    public static function of(Caption $caption, string $text): self
    {
        [$first] = $caption->words;

        return new self($first->line, $first->number, $caption->said(), $text);
    }
}
