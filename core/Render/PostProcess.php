<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** One more pass over a finished film: captions become part of the picture, or it becomes a WebM. Chapters stay. */
final class PostProcess
{
    /**
     * @param  string  $film  path of the MP4 that was joined
     * @param  string|null  $script  path of a subtitle script that is drawn over the picture
     * @param  string  $fonts  folder of the typefaces that it names
     * @param  FilmCaptionTrack|null  $captions  shown when the viewer wants them
     * @return list<string>
     */
    public static function arguments(
        string $film,
        ExportPreset $edition,
        string $out,
        ?string $script = null,
        string $fonts = '',
        ?FilmCaptionTrack $captions = null,
    ): array {
        $isWebM = $edition->format === FilmFormat::WebM;
        $picture = match (true) {
            $isWebM => [
                '-c:v', 'libvpx-vp9', '-b:v', '0', '-crf', (string) $edition->quality->vp9(), '-deadline', 'realtime',
                '-cpu-used', '6',
                '-row-mt', '1', '-tile-columns', '2', '-g', '120', '-pix_fmt', 'yuv420p',
            ],
            default => [
                '-c:v', 'libx264', '-preset', 'veryfast', '-crf', (string) $edition->quality->x264(), '-pix_fmt', 'yuv420p',
                '-profile:v', 'high', '-g', '60',
            ],
        };
        $texts = $captions === null ? [] : [
            '-map', '1:s:0', '-c:s', $isWebM ? 'webvtt' : 'mov_text', '-metadata:s:s:0', "language={$captions->language}",
            '-disposition:s:0', '0',
        ];

        return [
            '-i', $film,
            ...$captions === null ? [] : ['-f', 'webvtt', '-i', $captions->path],
            '-map', '0:v:0', '-map', '0:a:0', ...$texts, '-map_metadata', '0', '-map_chapters', '0',
            ...$script === null ? [] : ['-vf', 'subtitles='.self::escaped($script).':fontsdir='.self::escaped($fonts)],
            ...$picture,
            '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709', '-color_range', 'tv',
            ...$isWebM ? ['-c:a', 'libopus', '-b:a', '128k'] : ['-c:a', 'copy', '-movflags', '+faststart'],
            '-f', $edition->format->value, $out,
        ];
    }

    /** A path inside a filter: once for the option, once for the graph (ffmpeg-utils, "Quoting and escaping"). */
    private static function escaped(string $path): string
    {
        return addcslashes(addcslashes($path, "\\':"), "\\'[],;");
    }
}
