<?php

declare(strict_types=1);

namespace App\Media;

/** Reads text aloud into a file: the stand-in for a presenter's voice. */
interface Voice
{
    /**
     * @param  string  $out  path of the WAV file to write
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function speak(string $text, string $out): void;
}
