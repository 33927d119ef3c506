<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;
use PHPUnit\Framework\TestCase;

final class LevelsTest extends TestCase
{
    public function test_levels_are_measured_in_windows_of_ten_milliseconds(): void
    {
        $levels = SampleSound::start()
            ->silence(20)
            ->flat(10, 16384)
            ->flat(10, -32768)
            ->levels();

        self::assertSame(4 * 480, $levels->samples);
        self::assertSame([0, 0, 16384, 32768], $levels->peaks);
        self::assertSame([-96.0, -96.0], array_slice($levels->rms, 0, 2));
        self::assertEqualsWithDelta(-6.02, $levels->rms[2], 0.01);
        self::assertEqualsWithDelta(0.0, $levels->rms[3], 0.001);
    }

    public function test_noise_has_the_level_it_was_made_with(): void
    {
        self::assertEqualsWithDelta(
            -30.0,
            SampleSound::start()
                ->noise(500, -30)
                ->levels()
                ->percentile(0.5),
            0.4,
        );
    }

    public function test_a_last_part_of_a_window_counts_and_an_odd_byte_does_not(): void
    {
        $stream = SampleSound::memory();
        fwrite($stream, str_repeat(pack('v', 100), 481)."\x01");
        rewind($stream);
        $levels = LevelReader::read($stream);

        self::assertSame(481, $levels->samples);
        self::assertCount(2, $levels->peaks);
    }

    public function test_an_empty_sound_has_no_levels(): void
    {
        $levels = SampleSound::start()->levels();

        self::assertSame(0, $levels->samples);
        self::assertSame([], $levels->rms);
        self::assertSame(-96.0, $levels->percentile(0.95));
        self::assertSame([], $levels->wave(100));
    }

    public function test_clips_are_runs_of_three_samples_at_full_scale(): void
    {
        $levels = SampleSound::start()
            ->flat(1, 32767)
            ->silence(1)
            ->flat(1, -32768)
            ->silence(9)
            ->flat(1, 30000)
            ->levels();

        self::assertSame(2, $levels->clips);
    }

    public function test_the_wave_has_the_peaks_of_equal_stretches(): void
    {
        $levels = new Levels(array_fill(0, 5, -20.0), [3277, 16384, 0, 32768, 328], 0, 2400);

        self::assertSame([500, 1000, 10], $levels->wave(3));
        self::assertSame([100, 500, 0, 1000, 10], $levels->wave(1000));
    }

    public function test_the_quietest_place_near_a_cut_is_found(): void
    {
        // A word until window 40, a gap of 200 ms with some noise, and another word.
        $levels = new Levels(
            [...array_fill(0, 40, -20.0), ...array_fill(0, 20, -70.0), ...array_fill(0, 40, -20.0)],
            array_fill(0, 100, 100),
            0,
            48_000,
        );
        $at = fn (int $window, int $aroundMs = 400): int => intdiv(
            $levels->quietest(Tick::of($window * Levels::WINDOW), Tick::ofMilliseconds($aroundMs))->count,
            Levels::WINDOW,
        );

        self::assertSame(45, $at(30), 'the nearest place that is quiet all round');
        self::assertSame(55, $at(65));
        self::assertSame(50, $at(50), 'where it is quiet already it stays');
        self::assertSame(20, $at(20, 100), 'nothing quiet within reach');
        self::assertSame(123, (new Levels([], [], 0, 0))->quietest(Tick::of(123), Tick::of(480))->count);
    }

    public function test_levels_are_kept_in_a_byte_each(): void
    {
        $levels = new Levels([0.0, -20.4, Levels::FLOOR_DB, -120.0], [32768, 3000, 0, 0], 0, 1920);

        self::assertSame([0, 20, 96, 96], array_map(ord(...), str_split($levels->packed())));
        self::assertEqualsWithDelta(0.0, $levels->peak(), 1e-9);
        self::assertNull((new Levels([], [0], 0, 480))->peak());
    }
}
