<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\SourceColour;

/** The encoder command for one segment's picture: H.264 without sound, joinable to any other segment of its size and rate. */
final class ShotCommand
{
    /** Part of every cache key: change it whenever the command changes what comes out. */
    public const RECIPE = 4;

    /** HD colour (ITU-R BT.709), whatever matrix the source has. */
    private const COLOUR = 'out_color_matrix=bt709:out_range=tv';

    /**
     * @param  string  $out  path of the MP4 file to write
     * @return list<string> arguments after the program's name
     */
    public static function arguments(ShotSpec $spec, ShotFiles $files, string $out): array
    {
        $inputs = [];
        $count = 0;
        $input = function (string ...$arguments) use (&$inputs, &$count): int {
            array_push($inputs, ...$arguments);

            return $count++;
        };
        $logo = $spec->picture->logo === null || $files->logo === null ? null : self::logo($spec, $input('-i', $files->logo));
        $camera = null;
        $slide = null;
        if ($spec->slideRect() !== null && $files->slide !== null) {
            // A logo that the camera does not touch is drawn once, on the slide, and repeated with it.
            $early = self::cameraTouchesLogo($spec) ? null : $logo;
            $logo = $early === null ? $logo : null;
            $slide = self::slide($spec, $input('-i', $files->slide), $spec->slideRect(), $early);
        }
        if ($spec->cameraRect() !== null && $files->camera !== null) {
            $at = $input('-noaccurate_seek', '-seek_timestamp', '1', '-ss', sprintf('%.6F', $spec->in->seconds()), '-i', $files->camera);
            $camera = self::camera($spec, $at, $spec->cameraRect());
            $camera = self::cutOut($spec, $camera, $files, $input);
        }

        return [
            ...$inputs,
            '-filter_complex', self::graph($spec, $slide, $camera, $logo),
            '-map', '[picture]', '-frames:v', (string) $spec->frames,
            ...self::encoding(),
            '-f', 'mp4', $out,
        ];
    }

    /** One decoded and scaled slide on the whole frame, repeated from memory. */
    private static function slide(ShotSpec $spec, int $input, PixelRect $rect, ?string $logo): string
    {
        $chain = "[{$input}:v]scale={$rect->width}:{$rect->height}:flags=lanczos:".self::COLOUR.',setsar=1,format=yuv420p'.self::pad($spec, $rect);
        $chain = $logo === null ? $chain : "{$chain}[clean];[clean]{$logo}";

        return "{$chain},loop=loop=-1:size=1,fps={$spec->rate->fps}";
    }

    /**
     * Whatever frame times the camera had become steady frames; the last picture stands when the camera ended early,
     * even before the segment begins: frames from before the start are not thrown away while reading, but here.
     */
    private static function camera(ShotSpec $spec, int $input, PixelRect $rect): string
    {
        $size = "{$rect->width}:{$rect->height}";
        $colour = $spec->colour ?? SourceColour::told(null, null, $rect->height);
        // The crop belongs between scaling and converting: what is cut away is not converted.
        [$scale, $convert] = explode(',', $colour->toHd("{$size}:force_original_aspect_ratio=increase"), 2);

        return "[{$input}:v]fps={$spec->rate->fps},tpad=stop_mode=clone:stop=-1,trim=start=0,fps={$spec->rate->fps}:start_time=0,"
            ."{$scale},crop={$size},{$convert},setsar=1";
    }

    /**
     * The border laid on the camera, and its corners made transparent, all at the inset's small size.
     *
     * @param  callable(string...): int  $input
     */
    private static function cutOut(ShotSpec $spec, string $camera, ShotFiles $files, callable $input): string
    {
        $cut = $spec->picture->insetFrame;
        if ($cut !== null && $cut->border > 0 && $files->border !== null) {
            $camera .= "[bare];[{$input('-i', $files->border)}:v]format=yuva420p,loop=loop=-1:size=1[edge];[bare][edge]overlay=0:0:format=yuv420:shortest=1";
        }
        if ($cut !== null && $cut->radius > 0 && $files->mask !== null) {
            $camera .= "[whole];[{$input('-i', $files->mask)}:v]format=gray,loop=loop=-1:size=1,fps={$spec->rate->fps}[mask];[whole][mask]alphamerge";
        }

        return $camera;
    }

    /** What lays the logo over whatever comes before it. */
    private static function logo(ShotSpec $spec, int $input): string
    {
        $rect = $spec->picture->logo?->rect($spec->picture->frame) ?? new PixelRect(0, 0, 2, 2);

        return "null[under];[{$input}:v]scale={$rect->width}:{$rect->height}:flags=lanczos,format=yuva420p[logo];"
            ."[under][logo]overlay={$rect->x}:{$rect->y}:format=yuv420:eof_action=repeat";
    }

    private static function cameraTouchesLogo(ShotSpec $spec): bool
    {
        $logo = $spec->picture->logo?->rect($spec->picture->frame);

        return $logo !== null && ($spec->cameraRect()?->overlaps($logo) ?? false);
    }

    private static function pad(ShotSpec $spec, PixelRect $rect): string
    {
        $frame = $spec->picture->frame;

        return $rect->width === $frame->width && $rect->height === $frame->height ? ''
            : sprintf(',pad=%d:%d:%d:%d:color=0x%s', $frame->width, $frame->height, $rect->x, $rect->y, $spec->picture->ground);
    }

    private static function graph(ShotSpec $spec, ?string $slide, ?string $camera, ?string $logo): string
    {
        $frame = $spec->picture->frame;
        $rect = $spec->cameraRect();
        $picture = match (true) {
            $slide !== null && $camera !== null && $rect !== null => "{$slide}[base];{$camera}[over];[base][over]overlay={$rect->x}:{$rect->y}:format=yuv420:eof_action=repeat",
            $slide !== null => $slide,
            $camera !== null && $rect !== null => $camera.self::pad($spec, $rect),
            default => sprintf('color=c=0x%s:s=%dx%d:r=%d,format=yuv420p', $spec->picture->ground, $frame->width, $frame->height, $spec->rate->fps),
        };

        return $logo === null ? "{$picture}[picture]" : "{$picture},{$logo}[picture]";
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
