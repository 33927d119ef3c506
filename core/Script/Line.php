<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** One sentence of a section's script: the unit of prompting, coverage and captions. */
final readonly class Line
{
    /**
     * @param  int  $number  counted from 1 within the section
     * @param  int  $paragraph  counted from 1 within the section
     * @param  string  $text  one sentence as it is spoken: white space folded, without list marks and cues
     * @param  int  $from  byte where it starts in the text it was read from
     * @param  int  $until  byte behind its end
     */
    public function __construct(
        public int $number,
        public int $paragraph,
        public string $text,
        public int $from = 0,
        public int $until = 0,
    ) {
    }

    /** The same line in a text that stands so many bytes further on. */
    public function moved(int $bytes): self
    {
        return new self($this->number, $this->paragraph, $this->text, $this->from + $bytes, $this->until + $bytes);
    }
}
