<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** Captions that go into a film as text. */
final readonly class FilmCaptionTrack
{
    /**
     * @param  string  $path  of a WebVTT file: in it every sign can be said to be no mark
     * @param  string  $language  ISO 639-2 code, as MP4 has it
     */
    public function __construct(public string $path, public string $language)
    {
    }
}
