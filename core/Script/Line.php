<?php

namespace OpenReel\Core\Script;

/** One sentence of a section's script: the unit of prompting and, later, of coverage and captions. */
final readonly class Line
{
    /**
     * @param  int  $number  counted from 1 within the section
     * @param  int  $paragraph  counted from 1 within the section
     * @param  string  $text  one sentence, white space folded, without list marks
     */
    public function __construct(public int $number, public int $paragraph, public string $text)
    {
    }
}
