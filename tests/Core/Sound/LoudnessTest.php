<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Render\AdtsFrames;
use OpenReel\Core\Render\FlacHeader;
use OpenReel\Core\Sound\Loudness;
use PHPUnit\Framework\TestCase;

final class LoudnessTest extends TestCase
{
    public function test_blocks_of_one_loudness_have_it(): void
    {
        self::assertEqualsWithDelta(-16.0, Loudness::ofBlocks(array_fill(0, 50, -16.0)), 1e-9);
        self::assertNull(Loudness::ofBlocks([]));
        self::assertNull(Loudness::ofBlocks([-70.0, -120.0]));
    }

    public function test_power_is_averaged_and_what_is_far_below_is_gated_away(): void
    {
        // Half at -20 and half at -10: the mean of the powers 0.01 and 0.1 is 0.055, ten times its logarithm -12.596.
        self::assertEqualsWithDelta(-12.596, Loudness::ofBlocks([-20.0, -10.0]), 0.001);
        // -40 passes the absolute gate and not the relative one, which lies ten below the mean of all.
        self::assertEqualsWithDelta(-16.0, Loudness::ofBlocks([-16.0, -16.0, -40.0, -90.0]), 1e-9);
    }

    public function test_blocks_are_read_from_the_encoders_log(): void
    {
        $log =
            "[Parsed_ebur128_0 @ 0x55] t: 0.0999792  TARGET:-23 LUFS    M:-120.7 S:-120.7     I: -70.0 LUFS\n".
            "[Parsed_ebur128_0 @ 0x55] t: 0.5        TARGET:-23 LUFS    M: -18.3 S:-120.7     I: -18.3 LUFS\nframe= 10\n".
            "[Parsed_ebur128_0 @ 0x55] t: 12.6       TARGET:-23 LUFS    M:   nan S: -20.1     I: -18.3 LUFS\n";

        self::assertSame([-120.7, -18.3, -120.7], Loudness::blocks($log, 0.0));
        self::assertSame([-120.7], Loudness::blocks($log, 0.5));
    }

    public function test_a_stream_of_frames_is_cut_at_any_of_them(): void
    {
        // Header of a frame of AAC-LC, 48 kHz, stereo, with 13 bits of length, and as many bytes.
        $frame = fn (int $length, string $fill): string => pack(
            'C7',
            0xFF,
            0xF1,
            0x4C,
            0x80 | ($length >> 11),
            ($length >> 3) & 0xFF,
            (($length & 7) << 5) | 0x1F,
            0xFC,
        ).str_repeat($fill, $length - 7);
        [$a, $b, $c] = [$frame(20, 'a'), $frame(3000, 'b'), $frame(9, 'c')];

        self::assertSame($a.$b, AdtsFrames::slice($a.$b.$c, 0, 2));
        self::assertSame($b, AdtsFrames::slice($a.$b.$c, 1, 1));
        self::assertSame($b.$c, AdtsFrames::slice($a.$b.$c.substr($a, 0, 10), 1, null), 'a frame cut off is left out');
        self::assertSame('', AdtsFrames::slice($a, 1, null));
        self::assertSame('', AdtsFrames::slice('', 0, 3));
    }

    public function test_a_flac_file_says_how_long_it_is(): void
    {
        // 48 kHz, mono, 16 bits, 96,000 samples.
        $bits = (48_000 << 44) | (0 << 41) | (15 << 36) | 96_000;
        $header = 'fLaC'.str_repeat("\0", 14).pack('J', $bits).str_repeat("\0", 16);

        self::assertSame(2.0, FlacHeader::seconds($header));
        self::assertSame(0.0, FlacHeader::seconds(substr($header, 0, 41)));
        self::assertSame(0.0, FlacHeader::seconds(str_repeat('x', 42)));
    }
}
