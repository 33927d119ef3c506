<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Soundtrack\SoundPart;

/** Encoder commands that put finished pieces together. */
final class FilmCommand
{
    /** Part of the soundtrack's cache key. */
    public const VERSION = 2;

    /**
     * The whole soundtrack in a file of its own. Its first frame is the silence that an encoder begins with: it lies before the
     * film, where players leave it out.
     *
     * @param  string  $frames  path of a stream of AAC frames
     * @return list<string>
     */
    public static function soundtrack(string $frames, string $out): array
    {
        return [
            '-itsoffset', sprintf('-%.6F', SoundPart::FRAME / Tick::RATE), '-f', 'aac', '-i', $frames,
            '-map_metadata', '-1', '-c', 'copy', '-f', 'mp4', $out,
        ];
    }

    /**
     * Picture, sound and chapters in the file that is handed over; nothing is encoded again.
     *
     * @param  string  $pictures  path of a concat list of the pieces of picture
     * @param  string  $soundtrack  path
     * @param  string  $chapters  path of a metadata text
     * @param  list<string>  $titles  arguments for titles that it cannot hold
     * @param  FilmCaptionTrack|null  $captions  shown when the viewer wants them
     * @return list<string>
     */
    public static function lesson(
        string $pictures,
        string $soundtrack,
        string $chapters,
        string $out,
        array $titles = [],
        ?FilmCaptionTrack $captions = null,
    ): array {
        $track = $captions === null ? [] : [
            '-map', '3:s:0', '-c:s', 'mov_text', '-metadata:s:s:0', "language={$captions->language}", '-disposition:s:0', '0',
        ];

        return [
            '-f', 'concat', '-safe', '0', '-i', $pictures, '-i', $soundtrack, '-f', 'ffmetadata', '-i', $chapters,
            ...$captions === null ? [] : ['-f', 'webvtt', '-i', $captions->path],
            '-map', '0:v:0', '-map', '1:a:0', '-map_metadata', '2', '-map_chapters', '2', ...$titles,
            '-c', 'copy', ...$track, '-video_track_timescale', '30000', '-movflags', '+faststart', '-f', 'mp4', $out,
        ];
    }
}
