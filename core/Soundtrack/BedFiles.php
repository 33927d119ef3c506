<?php

declare(strict_types=1);

namespace OpenReel\Core\Soundtrack;

/** The music or small sound that lies beside what is spoken, as files. */
final readonly class BedFiles
{
    /**
     * @param  string  $pcm  path of raw PCM, 16 bits, stereo
     * @param  string  $loudness  path of an amplitude a sample, 32 bit floats
     */
    public function __construct(public string $pcm, public string $loudness)
    {
    }
}
