<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;

/** Tiny recordings and pictures made with the real programs, each made once. */
final class Clips
{
    /** Half a second of quiet, a voice-like sound for a second and a half, half a second of quiet; a moving picture. */
    public static function spoken(): string
    {
        return self::webm('spoken', 2.5, self::voice(0.5, 1.5, 1.0));
    }

    public static function anotherTake(): string
    {
        return self::webm('another', 2.0, self::voice(0.4, 1.2, 0.5));
    }

    public static function quiet(): string
    {
        return self::webm('quiet', 2.5, self::voice(0.5, 1.5, 0.006));
    }

    public static function clipped(): string
    {
        return self::webm('clipped', 2.5, self::voice(0.5, 1.5, 6.0));
    }

    public static function silent(): string
    {
        return self::webm('silent', 2.0, 'anullsrc=r=48000:cl=mono');
    }

    public static function pictureOnly(): string
    {
        return self::make('picture-only.webm', [
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=320x240:r=30:d=2',
            '-c:v',
            'libvpx',
            '-b:v',
            '300k',
        ]);
    }

    /** A camera that stops after four tenths of a second, before the voice begins. */
    public static function stalledCamera(): string
    {
        return self::make('stalled.webm', [
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=320x240:r=30:d=0.4',
            '-f',
            'lavfi',
            '-i',
            self::voice(0.8, 1.5, 1.0),
            '-c:v',
            'libvpx',
            '-b:v',
            '300k',
            '-c:a',
            'libopus',
            '-t',
            '2.8',
        ]);
    }

    public static function soundOnly(): string
    {
        return self::make('sound-only.webm', ['-f', 'lavfi', '-i', self::voice(0.5, 1.5, 1.0), '-t', '2.5', '-c:a', 'libopus']);
    }

    public static function stereoWav(): string
    {
        return self::make('stereo.wav', [
            '-f',
            'lavfi',
            '-i',
            self::voice(0.5, 1.5, 1.0),
            '-t',
            '2.5',
            '-ar',
            '44100',
            '-ac',
            '2',
        ]);
    }

    /** H.264 at 29.97 frames per second in an MP4 file, as phones make them. */
    public static function phone(): string
    {
        return self::make('phone.mp4', [
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=180x320:r=30000/1001:d=2.5',
            '-f',
            'lavfi',
            '-i',
            self::voice(0.5, 1.5, 1.0),
            '-c:v',
            'libx264',
            '-preset',
            'ultrafast',
            '-c:a',
            'aac',
            '-ac',
            '2',
            '-t',
            '2.5',
        ]);
    }

    /** A camera that changes its size in the middle, as browsers record it when a phone is turned. */
    public static function changingSize(): string
    {
        $list = sys_get_temp_dir().'/reel-clips/sizes.txt';
        $parts = '';
        foreach (['a' => '320x240', 'b' => '240x320'] as $name => $size) {
            $part = self::make("size-{$name}.webm", [
                '-f',
                'lavfi',
                '-i',
                "testsrc2=s={$size}:r=30:d=1.2",
                '-f',
                'lavfi',
                '-i',
                self::voice(0.2, 0.9, 1.0),
                '-c:v',
                'libvpx',
                '-b:v',
                '300k',
                '-c:a',
                'libopus',
                '-t',
                '1.2',
            ]);
            $parts .= "file '{$part}'\n";
        }
        file_put_contents($list, $parts);

        return self::make('changing-size.webm', ['-f', 'concat', '-safe', '0', '-i', $list, '-c', 'copy']);
    }

    /** A white flash and a beep start together at the given second. */
    public static function flashAndBeep(string $name, float $at, float $length, string $rate, string $extension): string
    {
        $codecs =
            $extension === 'mp4'
                ? ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']
                : ['-c:v', 'libvpx', '-b:v', '400k', '-c:a', 'libopus'];

        return self::make("{$name}.{$extension}", [
            '-f',
            'lavfi',
            '-i',
            "color=black:s=160x90:r={$rate}:d={$length},drawbox=t=fill:c=white:enable='between(t,{$at}-0.001,{$at}+0.2)'",
            '-f',
            'lavfi',
            '-i',
            "aevalsrc='if(between(t,{$at},{$at}+0.2),0.5*sin(2*PI*1000*t),0.0005*(random(0)-0.5))':s=48000:d={$length}",
            ...$codecs,
            '-t',
            (string) $length,
        ]);
    }

    /** Flashes and beeps at the second and the fifth second; at the first and the third, 60 ms of the sound were lost. */
    public static function lostSound(): string
    {
        $at = 'between(t,2,2.2)+between(t,5,5.2)';

        return self::make('lost-sound.mkv', [
            '-f',
            'lavfi',
            '-i',
            "color=black:s=160x90:r=30:d=6,drawbox=t=fill:c=white:enable='{$at}'",
            '-f',
            'lavfi',
            '-i',
            "aevalsrc='if({$at},0.5*sin(2*PI*1000*t),0.0005*(random(0)-0.5))':s=48000:d=6,asetnsamples=480,".
                "aselect='not(between(t,0.9999,1.0501)+between(t,2.9999,3.0501))'",
            '-c:v',
            'libvpx',
            '-b:v',
            '400k',
            '-c:a',
            'pcm_s16le',
        ]);
    }

    /** One colour, told or not told in one range and matrix; a voice with it. */
    public static function coloured(
        string $rgb,
        string $range,
        string $matrix,
        bool $tagged,
        string $size,
        string $codec = 'libvpx',
    ): string {
        $extension = $codec === 'libvpx' ? 'webm' : 'mp4';
        $tags = $tagged
            ? [
                '-colorspace',
                $matrix === 'bt601' ? 'smpte170m' : 'bt709',
                '-color_range',
                $range,
                '-color_primaries',
                'bt709',
                '-color_trc',
                'bt709',
            ]
            : ['-colorspace', 'unknown', '-color_range', 'unknown'];
        $told = $tagged ? '' : ',setparams=range=unknown:colorspace=unknown:color_primaries=unknown:color_trc=unknown';

        return self::make("colour-{$rgb}-{$range}-{$matrix}-".($tagged ? 'told' : 'untold')."-{$size}.{$extension}", [
            '-f',
            'lavfi',
            '-i',
            "color=0x{$rgb}:s={$size}:r=25:d=2,format=rgb24,"
                ."scale=out_range={$range}:out_color_matrix={$matrix},format=yuv420p{$told}",
            '-f',
            'lavfi',
            '-i',
            self::voice(0.3, 1.4, 1.0),
            '-t',
            '2',
            '-c:v',
            $codec,
            '-b:v',
            '900k',
            ...$tags,
            '-c:a',
            $extension === 'webm' ? 'libopus' : 'aac',
        ]);
    }

    /** A camera whose pictures are pictures: JPEG or PNG, one a frame. */
    public static function ofPictures(string $codec): string
    {
        return self::make("of-{$codec}.mov", [
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=320x240:r=10:d=2.5',
            '-f',
            'lavfi',
            '-i',
            self::voice(0.5, 1.5, 1.0),
            '-t',
            '2.5',
            '-c:v',
            $codec,
            '-pix_fmt',
            $codec === 'png' ? 'rgb24' : 'yuvj420p',
            '-c:a',
            'pcm_s16le',
        ]);
    }

    /** Sound with a picture attached, as music players keep covers. */
    public static function withCover(): string
    {
        return self::make('with-cover.mp3', [
            '-f',
            'lavfi',
            '-i',
            self::voice(0.5, 1.5, 1.0),
            '-i',
            self::slide(),
            '-t',
            '2.5',
            '-map',
            '0:a',
            '-map',
            '1:v',
            '-c:v',
            'mjpeg',
            '-disposition:v',
            'attached_pic',
            '-c:a',
            'libmp3lame',
        ]);
    }

    /** Half a second, two hours of nothing, and half a second. */
    public static function timeJump(): string
    {
        return self::make('time-jump.webm', [
            '-f',
            'lavfi',
            '-i',
            'testsrc2=s=320x240:r=10:d=1',
            '-f',
            'lavfi',
            '-t',
            '1',
            '-i',
            self::voice(0.1, 0.8, 1.0),
            '-c:v',
            'libvpx',
            '-b:v',
            '100k',
            '-vf',
            "setpts='PTS+if(gt(T,0.5),7200/TB,0)'",
            '-fps_mode',
            'vfr',
            '-c:a',
            'libopus',
        ]);
    }

    public static function slide(string $size = '640x360', string $extension = 'png'): string
    {
        return self::make("slide-{$size}.{$extension}", ['-f', 'lavfi', '-i', "testsrc2=s={$size}", '-frames:v', '1']);
    }

    /** Tones that come and go for more than a minute. */
    public static function tones(): string
    {
        return self::make('tones.flac', [
            '-f',
            'lavfi',
            '-i',
            "aevalsrc='(0.25*sin(2*PI*220*t)+0.15*sin(2*PI*(330+40*sin(t))*t))*(0.6+0.4*sin(2*PI*1.5*t))"
                ."*(0.4+0.6*gt(mod(t,7),2))':s=48000:d=75",
            '-c:a',
            'flac',
        ]);
    }

    /** Eight seconds in which the picture becomes ever lighter; a voice from 1 s to 2 s and one from 6 s to 7 s. */
    public static function lighter(): string
    {
        return self::make('lighter.webm', [
            '-f', 'lavfi', '-i', "nullsrc=s=160x90:r=25:d=8,geq=lum='16+200*T/8':cb=128:cr=128",
            '-f', 'lavfi', '-i', self::voice(1.0, 1.0, 1.0),
            '-f', 'lavfi', '-i', self::voice(6.0, 1.0, 1.0),
            '-filter_complex', '[1][2]amix=inputs=2:normalize=0,atrim=end=8[v]', '-map', '0:v', '-map', '[v]', '-t', '8',
            '-c:v', 'libvpx', '-b:v', '600k', '-color_range', 'tv', '-c:a', 'libopus',
        ]);
    }

    private static function webm(string $name, float $length, string $sound): string
    {
        return self::make("{$name}.webm", [
            '-f',
            'lavfi',
            '-i',
            "testsrc2=s=320x240:r=30:d={$length}",
            '-f',
            'lavfi',
            '-i',
            $sound,
            '-t',
            (string) $length,
            '-c:v',
            'libvpx',
            '-b:v',
            '300k',
            '-c:a',
            'libopus',
        ]);
    }

    /** Noise that comes and goes like syllables, in a room with a little noise of its own. */
    private static function voice(float $from, float $length, float $level): string
    {
        $until = $from + $length;

        return "aevalsrc='max(-1,min(1,{$level}*if(between(t,{$from},{$until}),0.3*(0.6+0.4*sin(2*PI*4*t))*(2*random(0)-1)"
            ."+0.2*sin(2*PI*180*t),0)))+0.0004*(2*random(1)-1)':s=48000:c=mono";
    }

    /** @param  list<string>  $arguments */
    public static function make(string $name, array $arguments): string
    {
        $path = self::path($name);
        if (! is_file($path)) {
            $part = self::path("part-{$name}");
            Program::run(['ffmpeg', '-v', 'error', '-y', ...$arguments, $part]);
            rename($part, $path);
        }

        return $path;
    }

    /** Where a clip of that name lies, or will. */
    public static function path(string $name): string
    {
        $folder = sys_get_temp_dir().'/reel-clips';
        @mkdir($folder);

        return "{$folder}/{$name}";
    }
}
