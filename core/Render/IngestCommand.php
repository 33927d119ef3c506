<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Analysis\SyncOffset;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Sound\RecordingInput;

/** Encoder commands that make a recording usable. */
final class IngestCommand
{
    /** Picture codecs that browsers play from WebM and from MP4; anything else is encoded again. */
    private const IN_WEBM = ['vp8', 'vp9', 'av1'];

    private const IN_MP4 = ['h264'];

    /**
     * So far sound may be from where its recording says before silence is put in or sound taken out. What a recorder says of
     * when a packet began is off by a third of that under load; half of it would be seen on lips.
     */
    private const OUT_OF_STEP_SECONDS = '0.03';

    /** In so many seconds somebody says something. */
    private const BEGINNING_SECONDS = 30;

    private const ENCODED = [
        '-c:v',
        'libx264',
        '-preset',
        'veryfast',
        '-crf',
        '16',
        '-pix_fmt',
        'yuv420p',
        '-colorspace',
        'bt709',
        '-color_primaries',
        'bt709',
        '-color_trc',
        'bt709',
        '-color_range',
        'tv',
    ];

    /** Whether the picture is kept as it came; otherwise it is encoded again, in HD's colours. */
    public static function copies(string $videoCodec): bool
    {
        return in_array($videoCodec, [...self::IN_WEBM, ...self::IN_MP4], true);
    }

    /** The extension of the file that will be played back. */
    public static function container(?string $videoCodec): string
    {
        return in_array($videoCodec, self::IN_WEBM, true) ? 'webm' : 'mp4';
    }

    /**
     * One pass over the recording: the picture copied into a seekable file (with sound for the browser), the sound as
     * FLAC at 48 kHz mono with gaps filled so that it keeps step with the picture, the same as raw PCM for listening,
     * and its loudness as delivered, in the log.
     *
     * @param  string|null  $videoCodec  null without a picture: `$media` is then not written
     * @param  SoundInput|null  $voice  where the sound comes from; null without sound: `$sound` and `$pcm` are then not written
     * @param  SourceColour|null  $colour  how the picture's colours are meant
     * @return list<string> arguments after the program's name
     */
    public static function arguments(
        string $raw,
        ?string $videoCodec,
        ?SoundInput $voice,
        string $media,
        string $sound,
        string $pcm,
        ?SourceColour $colour = null,
    ): array {
        $arguments = self::input($raw);
        $from = '0';
        if ($voice?->path !== null) {
            array_push(
                $arguments,
                ...$voice->later === 0.0 ? [] : ['-itsoffset', sprintf('%.6F', $voice->later)],
                ...self::input($voice->path),
            );
            $from = '1';
        }
        if ($voice?->codec !== null) {
            array_push(
                $arguments,
                '-filter_complex',
                "[{$from}:a:0]".
                    ($voice->isRight ? 'pan=mono|c0=c1,' : '').
                    'aresample=48000:async=1:min_hard_comp='.self::OUT_OF_STEP_SECONDS.
                    ':first_pts=0,aformat=channel_layouts=mono,asplit=3[keep][listen][meter];'.
                    '[meter]pan=stereo|c0=c0|c1=c0,ebur128=framelog=verbose,anullsink',
            );
            array_push(
                $arguments,
                '-map',
                '[keep]',
                '-map_metadata',
                '-1',
                '-c:a',
                'flac',
                '-compression_level',
                '0',
                '-sample_fmt',
                's16',
                '-f',
                'flac',
                $sound,
            );
            array_push($arguments, '-map', '[listen]', '-c:a', 'pcm_s16le', '-f', 's16le', $pcm);
        }
        if ($videoCodec !== null) {
            array_push(
                $arguments,
                '-map',
                '0:V:0',
                '-map',
                "{$from}:a:0?",
                '-map_metadata',
                '-1',
                '-map_chapters',
                '-1',
                ...self::picture($videoCodec, $colour),
                ...self::playedSound($videoCodec, $voice?->codec),
            );
            $arguments[] = $media;
        }

        return $arguments;
    }

    /**
     * The beginning of a sound, left of it, as raw PCM for Lag.
     *
     * @return list<string>
     */
    public static function beginning(string $raw, string $pcm): array
    {
        return [
            ...self::input($raw),
            '-t',
            (string) self::BEGINNING_SECONDS,
            '-map',
            '0:a:0',
            '-af',
            'pan=mono|c0=c0,aresample='.SyncOffset::RATE.':async=1:first_pts=0',
            '-c:a',
            'pcm_s16le',
            '-f',
            's16le',
            $pcm,
        ];
    }

    /** @return list<string> */
    private static function input(string $recording): array
    {
        return ['-fflags', '+genpts+discardcorrupt', ...RecordingInput::GUARD, '-i', $recording];
    }

    /**
     * A picture that changes its size, brought to the size it starts with; nothing is distorted or cut off. Everything
     * that comes after may then count on one size.
     *
     * @param  int  $width  of the first picture
     * @return list<string>
     */
    public static function oneSize(string $raw, int $width, int $height, string $out, ?SourceColour $colour = null): array
    {
        $size = PixelRect::even($width).':'.PixelRect::even($height);

        return [
            ...RecordingInput::GUARD,
            '-i',
            $raw,
            '-map',
            '0:V:0',
            '-map',
            '0:a:0?',
            '-vf',
            self::toHd($colour, "{$size}:force_original_aspect_ratio=decrease").",pad={$size}:-1:-1,setsar=1",
            '-fps_mode',
            'passthrough',
            ...self::ENCODED,
            '-c:a',
            'copy',
            '-f',
            'matroska',
            $out,
        ];
    }

    /**
     * A small still picture, as JFIF says its colours are: full range, BT.601.
     *
     * @param  Tick|null  $at  where in the take; null for its last picture
     * @param  int  $width  pixels
     * @return list<string>
     */
    public static function poster(string $media, ?Tick $at, string $out, ?SourceColour $colour = null, int $width = 480): array
    {
        // One picture is calculated exactly, by way of RGB.
        $exact = 'flags=bicubic+accurate_rnd+full_chroma_int+full_chroma_inp';
        $scale =
            "scale={$width}:-2:".
            ($colour === null ? '' : $colour->asInput().':').
            "{$exact},format=rgb24,scale=out_range=pc:out_color_matrix=bt601:{$exact},format=yuvj420p";

        return [
            ...$at === null ? ['-sseof', '-10'] : ['-ss', sprintf('%.3F', $at->seconds())],
            '-i',
            $media,
            ...$at === null ? [] : ['-frames:v', '1'],
            '-vf',
            $scale,
            '-q:v',
            '4',
            '-f',
            'image2',
            '-update',
            '1',
            $out,
        ];
    }

    /**
     * Decodes a whole file and keeps nothing: what cannot be decoded makes it fail.
     *
     * @return list<string> arguments; the log ends with how far it came
     */
    public static function decode(string $file): array
    {
        return ['-xerror', '-i', $file, '-map', '0', '-f', 'null', '-'];
    }

    /** @return list<string> */
    private static function picture(string $codec, ?SourceColour $colour): array
    {
        return match (true) {
            // With the index in front, a jump asks for it no more.
            in_array($codec, self::IN_WEBM, true) => ['-c:v', 'copy', '-cues_to_front', '1', '-f', 'webm'],
            in_array($codec, self::IN_MP4, true) => [
                '-c:v', 'copy', ...self::tagged($colour), '-movflags', '+faststart', '-f', 'mp4',
            ],
            default => [
                ...self::ENCODED,
                '-vf',
                self::toHd($colour, 'trunc(iw/2)*2:trunc(ih/2)*2'),
                '-movflags',
                '+faststart',
                '-f',
                'mp4',
            ],
        };
    }

    /**
     * Has H.264 say that its colours are those of BT.601, which browsers then show as they are meant: what was captured of a tab
     * says otherwise.
     *
     * @return list<string>
     */
    private static function tagged(?SourceColour $colour): array
    {
        return $colour?->matrix === 'bt601' ? ['-bsf:v', 'h264_metadata=matrix_coefficients=6'] : [];
    }

    /** What is encoded anyway gets the colours of HD, and says so. */
    private static function toHd(?SourceColour $colour, string $size): string
    {
        return ($colour ?? SourceColour::tagged(null, null, 0))->toHd($size);
    }

    /** @return list<string> */
    private static function playedSound(string $videoCodec, ?string $audioCodec): array
    {
        $webm = self::container($videoCodec) === 'webm';

        return match (true) {
            $audioCodec === null => ['-an'],
            $webm && in_array($audioCodec, ['opus', 'vorbis'], true), ! $webm && $audioCodec === 'aac' => ['-c:a', 'copy'],
            $webm => ['-c:a', 'libopus', '-b:a', '96k'],
            default => ['-c:a', 'aac', '-b:a', '160k'],
        };
    }
}
