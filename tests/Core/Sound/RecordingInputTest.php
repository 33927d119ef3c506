<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Sound\RecordingInput;
use PHPUnit\Framework\TestCase;

final class RecordingInputTest extends TestCase
{
    public function test_playlists_and_lists_of_cuts_are_no_recordings(): void
    {
        $guard = ['protocols' => RecordingInput::GUARD[1], 'kinds' => RecordingInput::GUARD[3]];

        self::assertSame('file,pipe', $guard['protocols']);
        foreach (['hls', 'concat', 'dash', 'image2', 'lavfi', 'sdp', 'tty'] as $kind) {
            self::assertNotContains($kind, explode(',', $guard['kinds']));
        }
        self::assertContains('matroska', explode(',', $guard['kinds']));
    }

    public function test_a_length_that_its_bytes_cannot_hold_is_no_length(): void
    {
        self::assertStringContainsString('jump', (string) RecordingInput::problem(7200.0, 240_000));
        self::assertNull(RecordingInput::problem(7200.0, 57_000_000), 'two hours of sound alone');
        self::assertNull(RecordingInput::problem(500.0, 1_000), 'a short gap is filled with silence');
        self::assertStringContainsString('six hours', (string) RecordingInput::problem(6 * 3600 + 1.0, 10_000_000_000));
    }
}
