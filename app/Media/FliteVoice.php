<?php

declare(strict_types=1);

namespace App\Media;

final class FliteVoice implements Voice
{
    /** The clearest of the voices that come with Debian's package. */
    private const VOICE = 'slt';

    /** Slowed down to the pace of someone explaining. */
    private const STRETCH = 'duration_stretch=1.15';

    public function __construct(private readonly string $program)
    {
    }

    public function speak(string $text, string $out): void
    {
        $script = $out.'.txt';
        file_put_contents($script, $text);
        try {
            Program::run([$this->program, '-voice', self::VOICE, '--setf', self::STRETCH, '-f', $script, '-o', $out]);
        } finally {
            @unlink($script);
        }
    }
}
