<?php

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\PicturePlan;
use OpenReel\Core\Picture\PixelRect;

/** The encoder command for one segment's picture: H.264 without sound, joinable to any other segment of its size and rate. */
final class SegmentCommand
{
    /** Part of every cache key: change it whenever the command changes what comes out. */
    public const RECIPE = 1;

    /** HD colour (ITU-R BT.709), whatever matrix the source has. */
    private const COLOUR = 'out_color_matrix=bt709:out_range=tv';

    /**
     * @param  string|null  $camera  path, needed when the spec shows the camera
     * @param  string|null  $slide  path, needed when the spec shows the slide
     * @param  string  $out  path of the MP4 file to write
     * @return list<string> arguments after the program's name
     */
    public static function arguments(SegmentSpec $spec, ?string $camera, ?string $slide, string $out): array
    {
        $inputs = [];
        $layers = [];
        if ($spec->slideRect() !== null && $slide !== null) {
            array_push($inputs, '-i', $slide);
            $layers[] = [$spec->slideRect(), self::slide($spec, count($layers), $spec->slideRect())];
        }
        if ($spec->cameraRect() !== null && $camera !== null) {
            array_push($inputs, '-seek_timestamp', '1', '-ss', sprintf('%.6F', $spec->in->seconds()), '-i', $camera);
            $layers[] = [$spec->cameraRect(), self::camera($spec, count($layers), $spec->cameraRect())];
        }

        return [
            ...$inputs,
            '-filter_complex', self::graph($spec, $layers),
            '-map', '[picture]', '-frames:v', (string) $spec->frames,
            ...self::encoding(),
            '-f', 'mp4', $out,
        ];
    }

    /** One decoded and scaled slide, repeated from memory. */
    private static function slide(SegmentSpec $spec, int $input, PixelRect $rect): string
    {
        return "[{$input}:v]scale={$rect->width}:{$rect->height}:flags=lanczos:".self::COLOUR
            .",setsar=1,format=yuv420p,loop=loop=-1:size=1,fps={$spec->rate->fps}";
    }

    /**
     * Whatever frame times the camera had become steady frames; the last picture stands when the camera ended early.
     * Colour is converted after scaling: together, on the way from a large picture, it takes a fifth of the whole encoding.
     */
    private static function camera(SegmentSpec $spec, int $input, PixelRect $rect): string
    {
        $size = "{$rect->width}:{$rect->height}";

        return "[{$input}:v]fps={$spec->rate->fps}:start_time=0,tpad=stop_mode=clone:stop=-1,"
            ."scale={$size}:force_original_aspect_ratio=increase,crop={$size},scale=".self::COLOUR.',setsar=1,format=yuv420p';
    }

    /** @param  list<array{PixelRect, string}>  $layers  where and what, bottom first */
    private static function graph(SegmentSpec $spec, array $layers): string
    {
        $frame = $spec->picture->frame;
        $bottom = array_shift($layers);
        if ($bottom === null) {
            return sprintf('color=c=0x%s:s=%dx%d:r=%d,format=yuv420p[picture]', PicturePlan::GROUND, $frame->width, $frame->height, $spec->rate->fps);
        }

        // The bottom layer is padded to the whole frame, so there is never more than one overlay.
        [$rect, $base] = $bottom;
        if ($rect->width !== $frame->width || $rect->height !== $frame->height) {
            $pad = sprintf('pad=%d:%d:%d:%d:color=0x%s', $frame->width, $frame->height, $rect->x, $rect->y, PicturePlan::GROUND);
            $base = str_contains($base, ',loop=') ? str_replace(',loop=', ",{$pad},loop=", $base) : "{$base},{$pad}";
        }
        $top = array_shift($layers);
        if ($top === null) {
            return "{$base}[picture]";
        }
        [$rect, $over] = $top;

        return "{$base}[base];{$over}[over];[base][over]overlay={$rect->x}:{$rect->y}:format=yuv420:eof_action=repeat[picture]";
    }

    /** @return list<string> */
    private static function encoding(): array
    {
        return [
            '-an', '-sn', '-dn', '-map_metadata', '-1', '-map_chapters', '-1',
            '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '20', '-pix_fmt', 'yuv420p', '-profile:v', 'high',
            '-g', '60', '-x264-params', 'stitchable=1:open-gop=0',
            '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709', '-color_range', 'tv',
            '-video_track_timescale', '30000',
        ];
    }
}
