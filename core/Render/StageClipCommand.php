<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Sound\RecordingInput;

/** Makes a film for the stage out of somebody's: steady frames, no sound, no larger than the frame, quick to jump into. */
final class StageClipCommand
{
    /**
     * @param  string  $out  path of the MP4 file to write
     * @param  bool  $isGif  it is not among the kinds of recordings
     * @return list<string> arguments after the program's name
     */
    public static function arguments(string $file, string $out, FrameSize $frame, int $fps, bool $isGif): array
    {
        $fit = "scale=w='min(iw,{$frame->width})':h='min(ih,{$frame->height})':force_original_aspect_ratio=decrease:"
            .'force_divisible_by=2:out_color_matrix=bt709:out_range=tv';

        return [
            ...$isGif ? ['-protocol_whitelist', 'file', '-f', 'gif', '-ignore_loop', '1'] : RecordingInput::GUARD,
            '-i', $file, '-map', '0:v:0', '-an', '-sn',
            '-vf', "fps={$fps},{$fit},setsar=1,format=yuv420p",
            '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '16', '-g', '15',
            '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709', '-color_range', 'tv',
            '-map_metadata', '-1', '-movflags', '+faststart', $out,
        ];
    }

    /**
     * Its first picture.
     *
     * @param  string  $out  path of the PNG file to write
     * @return list<string>
     */
    public static function poster(string $film, string $out): array
    {
        return ['-i', $film, '-frames:v', '1', '-vf', 'scale=in_color_matrix=bt709:in_range=tv,format=rgb24', $out];
    }
}
