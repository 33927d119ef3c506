<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** Encoder commands that put finished pieces together. */
final class JoinCommand
{
    /** Part of the soundtrack's cache key. */
    public const RECIPE = 1;

    /**
     * All segments' sound in one AAC track.
     *
     * @param  string  $list  path of a concat list of PCM files
     * @return list<string>
     */
    public static function soundtrack(string $list, string $out): array
    {
        return ['-f', 'concat', '-safe', '0', '-i', $list, '-map_metadata', '-1', '-c:a', 'aac', '-b:a', '160k', '-f', 'mp4', $out];
    }

    /**
     * Picture, sound and chapters in the file that is handed over; nothing is encoded again.
     *
     * @param  string  $pictures  path of a concat list of segments
     * @param  string  $soundtrack  path
     * @param  string  $chapters  path of a metadata text
     * @param  list<string>  $titles  arguments for titles that it cannot hold
     * @return list<string>
     */
    public static function lesson(string $pictures, string $soundtrack, string $chapters, string $out, array $titles = []): array
    {
        return [
            '-f', 'concat', '-safe', '0', '-i', $pictures, '-i', $soundtrack, '-f', 'ffmetadata', '-i', $chapters,
            '-map', '0:v:0', '-map', '1:a:0', '-map_metadata', '2', '-map_chapters', '2', ...$titles,
            '-c', 'copy', '-video_track_timescale', '30000', '-movflags', '+faststart', '-f', 'mp4', $out,
        ];
    }
}
