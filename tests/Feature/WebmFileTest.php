<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\EbmlElement;
use App\Media\FfprobeProber;
use App\Media\Program;
use App\Media\RecordingFacts;
use App\Media\WebmFile;
use PHPUnit\Framework\Attributes\TestWith;

/** What is read off a file without a program is what the program says. */
final class WebmFileTest extends FeatureTestCase
{
    #[TestWith(['spoken'])]
    #[TestWith(['pictureOnly'])]
    #[TestWith(['stalledCamera'])]
    #[TestWith(['changingSize'])]
    #[TestWith(['soundOnly'])]
    public function test_the_facts_are_what_ffprobe_finds(string $clip): void
    {
        $file = Clips::$clip();
        $found = self::probed($file);

        self::assertEquals($found, WebmFile::facts($file));
        self::assertSame($clip === 'changingSize', $found->changesSize);
        self::assertEquals($found, (new FfprobeProber('/nowhere'))->recording($file));
    }

    #[TestWith(['pc', 'bt709'])]
    #[TestWith(['tv', 'smpte170m'])]
    #[TestWith(['tv', 'bt470bg'])]
    public function test_the_colours_are_what_ffprobe_finds(string $range, string $matrix): void
    {
        $file = Clips::make("said-{$range}-{$matrix}.webm", [
            '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=0.4', '-c:v', 'libvpx', '-color_range', $range, '-colorspace', $matrix,
        ]);

        self::assertEquals(self::probed($file), WebmFile::facts($file));
        self::assertSame($range, WebmFile::facts($file)?->range);
    }

    public function test_a_recording_that_was_cut_off_goes_as_far_as_its_last_whole_block(): void
    {
        $bytes = (string) file_get_contents(Clips::spoken());
        foreach ([0.3, 0.5, 0.77] as $part) {
            file_put_contents($cut = Clips::path("cut-{$part}.webm"), substr($bytes, 0, (int) ($part * strlen($bytes))));
            self::assertEqualsWithDelta(self::probed($cut)->seconds, WebmFile::facts($cut)->seconds ?? 0.0, 0.001);
        }
    }

    public function test_it_says_how_long_it_is(): void
    {
        $file = Clips::spoken();
        $said = Program::run(['ffprobe', '-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', $file])['output'];

        self::assertEqualsWithDelta((float) $said, WebmFile::seconds($file), 0.001);
        self::assertNull(WebmFile::seconds(Clips::phone()));
    }

    /** A nought in ASCII is a byte like any other, in times and in sizes. */
    public function test_every_byte_counts(): void
    {
        self::assertSame(0x3000_3030, EbmlElement::number("\x30\x00\x30\x30"));
        self::assertSame(0, EbmlElement::number(''));
        $element = EbmlElement::at("\xA3\x41\x30...", 0);
        self::assertSame([0xA3, 3, 0x130], [$element?->id, $element?->head, $element?->size]);
        $found = [...EbmlElement::all("\xE7\x82\x30\x30\x83\x81\x01")];
        self::assertSame([[0xE7, '00'], [0x83, "\1"]], $found);
    }

    public function test_a_picture_of_which_nothing_came_is_left_to_others(): void
    {
        $bytes = (string) file_get_contents(Clips::spoken());
        // Up to the first cluster: what it will hold is said, and nothing follows.
        file_put_contents($file = Clips::path('promised.webm'), strstr($bytes, "\x1F\x43\xB6\x75", true));

        self::assertNull(WebmFile::facts($file));
    }

    public function test_what_is_not_known_here_is_left_to_others(): void
    {
        $bytes = function (string $text): string {
            file_put_contents($file = Clips::path('bytes-'.md5($text)), $text);

            return $file;
        };
        $head = "\x1A\x45\xDF\xA3\x80";
        $endless = "\x18\x53\x80\x67\x01\xFF\xFF\xFF\xFF\xFF\xFF\xFF";

        self::assertNull(WebmFile::facts(Clips::phone()), 'MP4');
        self::assertNull(WebmFile::facts(Clips::stereoWav()));
        self::assertNull(WebmFile::facts(Clips::make('nine.webm', [
            '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=0.4', '-c:v', 'libvpx-vp9', '-deadline', 'realtime',
        ])));
        self::assertNull(WebmFile::facts('/nowhere'));
        self::assertNull(WebmFile::facts($bytes('')));
        self::assertNull(WebmFile::facts($bytes($head)), 'no track');
        self::assertNull(WebmFile::facts($bytes($head.str_repeat("\0", 40))), 'no element');
        self::assertNull(WebmFile::facts($bytes($head.$endless.'Ignored')), 'an element without an end');
        self::assertNull(WebmFile::facts($bytes($head.$endless."\x16\x54\xAE\x6B\x4F\xFF".str_repeat("\xAE", 40))), 'cut off');
        self::assertNull(WebmFile::facts($bytes($head.$endless."\xA3\x84\x81\0\0\x80")), 'a block of no track');
        $longer = "\x16\x54\xAE\x6B\x08\x7F\xFF\xFF\xFF\xFF\xFF\xFF\xFF";
        self::assertNull(WebmFile::facts($bytes($head.$endless.$longer)), 'longer than it is');
    }

    /** What the program finds, decoding. */
    private static function probed(string $file): RecordingFacts
    {
        return (new \ReflectionMethod(FfprobeProber::class, 'decoded'))->invoke(new FfprobeProber('ffprobe'), $file);
    }
}
