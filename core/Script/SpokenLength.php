<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** How long a line of a section takes to say, at the assumed pace. */
final readonly class SpokenLength
{
    /** @param  int  $milliseconds  with the pause behind it, as `SpeakingTime::ofText` gives them */
    public function __construct(public int $paragraph, public int $milliseconds)
    {
    }

    public static function of(Line $line): self
    {
        return new self($line->paragraph, SpeakingTime::ofText($line->text));
    }
}
