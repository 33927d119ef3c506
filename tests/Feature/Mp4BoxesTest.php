<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Mp4Boxes;
use App\Media\Program;
use PHPUnit\Framework\Attributes\TestWith;

/** What is read off a file without a program is what the program says. */
final class Mp4BoxesTest extends FeatureTestCase
{
    #[TestWith(['0'])]
    #[TestWith(['+faststart'])]
    #[TestWith(['+frag_keyframe+empty_moov'])]
    public function test_the_set_up_is_what_ffprobe_finds(string $flags): void
    {
        $file = Clips::make('boxes'.preg_replace('/\W/', '', $flags).'.mp4', [
            '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=1', '-c:v', 'libx264', '-pix_fmt', 'yuv420p', '-movflags', $flags,
        ]);
        $found = json_decode(Program::run([
            'ffprobe', '-v', 'error', '-select_streams', 'v:0', '-show_data_hash', 'sha256',
            '-show_entries', 'stream=extradata_hash', '-of', 'json', $file,
        ])['output'], true);

        self::assertSame($found['streams'][0]['extradata_hash'], 'SHA256:'.hash('sha256', (string) Mp4Boxes::avcSetup($file)));
    }

    public function test_nothing_is_found_in_what_is_no_such_file(): void
    {
        $bytes = function (string $text): string {
            file_put_contents($file = Clips::path('bytes-'.md5($text)), $text);

            return $file;
        };

        self::assertNull(Mp4Boxes::avcSetup(Clips::spoken()));
        self::assertNull(Mp4Boxes::avcSetup($bytes('')));
        self::assertNull(Mp4Boxes::avcSetup('/nowhere'));
        self::assertNull(Mp4Boxes::avcSetup($bytes(pack('N', 0).'moov')));
        self::assertNull(Mp4Boxes::avcSetup($bytes(pack('N', 1).'free'.pack('J', -5))));
        self::assertNull(Mp4Boxes::avcSetup($bytes(pack('N', 0xFFFFFFFF).'moovavcC')));
        self::assertNull(Mp4Boxes::avcSetup($bytes(pack('N', 20).'moov'.pack('N', 900).'avcC1234')), 'it says it is longer');
    }
}
