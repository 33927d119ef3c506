<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TickTest extends TestCase
{
    /** @return iterable<string, array{int, int}> */
    public static function rates(): iterable
    {
        yield '24' => [24, 2000];
        yield '25' => [25, 1920];
        yield '30' => [30, 1600];
        yield '50' => [50, 960];
        yield '60' => [60, 800];
    }

    #[DataProvider('rates')]
    public function test_a_frame_is_a_whole_number_of_ticks_at_every_rate(int $fps, int $ticks): void
    {
        $rate = FrameRate::of($fps);

        self::assertSame($ticks, $rate->ticksPerFrame());
        self::assertSame(48_000, $rate->ticksPerFrame() * $fps);
        self::assertSame(90 * $ticks, Tick::ofFrames(90, $rate)->count);
    }

    #[DataProvider('rates')]
    public function test_a_length_is_held_by_the_frames_that_cover_it(int $fps, int $ticks): void
    {
        $rate = FrameRate::of($fps);

        self::assertSame(0, Tick::zero()->framesToHold($rate));
        self::assertSame(1, Tick::of(1)->framesToHold($rate));
        self::assertSame(1, Tick::of($ticks)->framesToHold($rate));
        self::assertSame(2, Tick::of($ticks + 1)->framesToHold($rate));
    }

    public function test_rates_that_split_ticks_are_refused(): void
    {
        $this->expectException(TimeError::class);
        $this->expectExceptionMessage('A frame rate of 23 is not offered');

        FrameRate::of(23);
    }

    public function test_milliseconds_are_exact_and_come_back_rounded(): void
    {
        self::assertSame(59_952, Tick::ofMilliseconds(1249)->count);
        self::assertSame(1249, Tick::ofMilliseconds(1249)->milliseconds());
        self::assertSame(0, Tick::of(23)->milliseconds());
        self::assertSame(1, Tick::of(24)->milliseconds());
        self::assertSame(26_000, Tick::ofSeconds(26.0)->milliseconds());
        self::assertSame('0:59', Tick::ofMilliseconds(59_999)->clock());
        self::assertSame('59:59', Tick::ofSeconds(3_599)->clock());
        self::assertSame('60:05', Tick::ofSeconds(3_605)->clock());
        self::assertSame(333_333, Tick::ofSeconds(6.94444)->count);
    }

    public function test_time_before_the_start_is_refused(): void
    {
        $this->expectException(TimeError::class);

        Tick::ofMilliseconds(-1);
    }

    public function test_subtraction_stops_at_zero(): void
    {
        self::assertSame(7, Tick::of(10)->minusOrZero(Tick::of(3))->count);
        self::assertSame(0, Tick::of(3)->minusOrZero(Tick::of(10))->count);
    }

    public function test_a_span_is_never_empty(): void
    {
        self::assertSame(5, Span::between(Tick::of(10), Tick::of(15))->length()->count);

        $this->expectException(TimeError::class);
        Span::between(Tick::of(10), Tick::of(10));
    }

    public function test_padding_stays_inside_the_take(): void
    {
        $padded = Span::between(Tick::of(100), Tick::of(900))->padded(Tick::of(300), Tick::of(300), Tick::of(1000));

        self::assertSame(0, $padded->from->count);
        self::assertSame(1000, $padded->until->count);
    }
}
