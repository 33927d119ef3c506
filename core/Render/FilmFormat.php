<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** What kind of file a film is. */
enum FilmFormat: string
{
    case Mp4 = 'mp4';
    /** VP9 and Opus, made of the finished MP4. */
    case WebM = 'webm';

    public function mime(): string
    {
        return "video/{$this->value}";
    }

    /** @return array{string, string} picture and sound, as probers call them */
    public function codecs(): array
    {
        return $this === self::Mp4 ? ['h264', 'aac'] : ['vp9', 'opus'];
    }

    public function description(): string
    {
        return $this === self::Mp4 ? 'H.264 picture of %s and AAC sound.' : 'VP9 picture of %s and Opus sound.';
    }
}
