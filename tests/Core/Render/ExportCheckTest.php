<?php

declare(strict_types=1);

namespace Tests\Core\Render;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Render\ExportCheck;
use OpenReel\Core\Render\ExportFacts;
use OpenReel\Core\Render\ExportFinding;
use OpenReel\Core\Sound\LoudnessReport;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class ExportCheckTest extends TestCase
{
    public function test_a_file_as_meant_passes(): void
    {
        $findings = $this->findings(new ExportFacts(75, 1280, 720, 'h264', 'aac', 3.02, 2), new LoudnessReport(-16.3, -1.8));

        $names = array_map(fn (ExportFinding $f): string => $f->name, $findings);
        self::assertSame(['frames', 'duration', 'streams', 'chapters', 'loudness'], $names);
        self::assertSame([true, true, true, true, true], array_map(fn (ExportFinding $f): bool => $f->isOk, $findings));
        self::assertSame('All 75 frames are there.', $findings[0]->says);
    }

    public function test_everything_that_is_off_is_named(): void
    {
        $findings = $this->findings(new ExportFacts(74, 1280, 718, 'h264', 'mp3', 2.2, 1), new LoudnessReport(-18.0, -0.3));

        self::assertSame([false, false, false, false, false], array_map(fn (ExportFinding $f): bool => $f->isOk, $findings));
        self::assertSame('The file has 74 frames instead of 75.', $findings[0]->says);
        self::assertStringContainsString('found h264 of 1280 x 718 and mp3', $findings[2]->says);
        self::assertSame(
            'Loudness -18.0 LUFS, highest peak -0.3 dBTP. Meant were -16.0 LUFS and at most -1.0 dBTP.',
            $findings[4]->says,
        );
    }

    public function test_silence_is_said(): void
    {
        self::assertSame(
            'Nothing can be heard in this file.',
            $this->findings(new ExportFacts(75, 1280, 720, 'h264', 'aac', 3.0, 2), new LoudnessReport(null, null))[4]->says,
        );
    }

    public function test_loudness_is_read_from_the_last_summary(): void
    {
        $log =
            "Summary:\n I:  -30.0 LUFS\n Peak: -9.0 dBFS\nmore\n[Parsed_ebur128_7] Summary:\n\n  Integrated loudness:\n    "
                ."I:         -16.1 LUFS\n    Threshold: -26.6 LUFS\n  Loudness range:\n    LRA:         3.2 LU\n  True "
                    ."peak:\n    Peak:       -1.9 dBFS\n";

        self::assertEquals(new LoudnessReport(-16.1, -1.9), LoudnessReport::parse($log));
        self::assertEquals(new LoudnessReport(null, null), LoudnessReport::parse('Summary: I: -70.0 LUFS Peak: -inf dBFS'));
        self::assertEquals(new LoudnessReport(null, null), LoudnessReport::parse(''));
    }

    /** @return list<ExportFinding> */
    private function findings(ExportFacts $facts, LoudnessReport $sound): array
    {
        return ExportCheck::findings($this->lesson(), $facts, $sound, -16.0, -1.0);
    }

    /** Three seconds in two sections. */
    private function lesson(): Assembly
    {
        return Example::assembly([['One', [0, 96_000]], ['Two', [0, 48_000]]]);
    }
}
