<?php

namespace App\Media;

final class FliteVoice implements Voice
{
    /** The clearest of the voices that come with Debian's package. */
    private const VOICE = 'slt';

    public function __construct(private readonly string $program) {}

    public function speak(string $text, string $out): void
    {
        $script = $out.'.txt';
        file_put_contents($script, $text);
        try {
            Program::run([$this->program, '-voice', self::VOICE, '-f', $script, '-o', $out]);
        } finally {
            @unlink($script);
        }
    }
}
