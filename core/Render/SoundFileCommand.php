<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** The sound of a finished film as a file of its own. */
final class SoundFileCommand
{
    /**
     * M4A as it is in the film, with its chapters.
     *
     * @return list<string>
     */
    public static function m4a(string $film, string $out): array
    {
        return [
            '-i', $film, '-map', '0:a:0', '-map_metadata', '0', '-map_chapters', '0', '-c', 'copy', '-movflags', '+faststart',
            '-f', 'ipod', $out,
        ];
    }

    /**
     * MP3, for players that know nothing else.
     *
     * @return list<string>
     */
    public static function mp3(string $film, string $out): array
    {
        return [
            '-i', $film, '-map', '0:a:0', '-map_metadata', '0', '-c:a', 'libmp3lame', '-q:a', '2', '-id3v2_version', '3',
            '-f', 'mp3', $out,
        ];
    }
}
