<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** How all pieces of picture are encoded, so that they can be joined without encoding again. */
final class PictureEncoding
{
    /** @return list<string> */
    public static function arguments(FilmQuality $quality = FilmQuality::Balanced): array
    {
        return [
            '-an', '-sn', '-dn', '-map_metadata', '-1', '-map_chapters', '-1',
            '-c:v', 'libx264', '-preset', 'veryfast', '-crf', (string) $quality->x264(), '-pix_fmt', 'yuv420p', '-profile:v',
            'high',
            '-g', '60', '-x264-params', 'stitchable=1:open-gop=0',
            '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709', '-color_range', 'tv',
            '-video_track_timescale', '30000', '-f', 'mp4',
        ];
    }
}
