<?php

declare(strict_types=1);

namespace Tests\Core\Analysis;

use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Analysis\SpeechFinder;
use OpenReel\Core\Take\SoundFlag;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sound\SampleSound;

final class SpeechFinderTest extends TestCase
{
    public function test_speech_is_found_with_its_padding(): void
    {
        $found = SpeechFinder::find(
            SampleSound::start()
                ->noise(1500, -65)
                ->noise(3000, -22)
                ->noise(2000, -65)
                ->levels(),
        );

        self::assertEqualsWithDelta(1500 - 300, $found?->from->milliseconds(), 20);
        self::assertEqualsWithDelta(4500 + 400, $found?->until->milliseconds(), 20);
    }

    public function test_a_click_at_either_end_is_no_speech(): void
    {
        $sound = SampleSound::start()
            ->noise(200, -62)
            ->noise(40, -15)
            ->noise(1500, -62)
            ->noise(2000, -24)
            ->noise(1500, -62)
            ->noise(60, -12)
            ->noise(200, -62);
        $found = SpeechFinder::find($sound->levels());

        self::assertEqualsWithDelta(1740 - 300, $found?->from->milliseconds(), 20);
        self::assertEqualsWithDelta(3740 + 400, $found?->until->milliseconds(), 20);
    }

    public function test_a_soft_beginning_and_ending_are_kept_whole(): void
    {
        $sound = SampleSound::start()
            ->noise(1500, -65)
            ->noise(200, -54)
            ->noise(2000, -22)
            ->noise(250, -54)
            ->noise(1500, -65);
        $found = SpeechFinder::find($sound->levels());

        self::assertLessThanOrEqual(1500 - 200, $found?->from->milliseconds());
        self::assertGreaterThanOrEqual(3950 + 300, $found?->until->milliseconds());
    }

    public function test_a_pause_in_the_middle_belongs_to_the_speech(): void
    {
        $found = SpeechFinder::find(
            SampleSound::start()
                ->noise(900, -65)
                ->noise(1000, -22)
                ->noise(4000, -65)
                ->noise(1000, -22)
                ->noise(900, -65)
                ->levels(),
        );

        self::assertEqualsWithDelta(600, $found?->from->milliseconds(), 20);
        self::assertEqualsWithDelta(7300, $found?->until->milliseconds(), 20);
    }

    public function test_a_noisy_room_is_told_from_the_voice(): void
    {
        $found = SpeechFinder::find(
            SampleSound::start()
                ->noise(1000, -38)
                ->noise(2000, -18)
                ->noise(1000, -38)
                ->levels(),
        );

        self::assertEqualsWithDelta(700, $found?->from->milliseconds(), 20);
    }

    public function test_speech_from_the_first_to_the_last_moment_is_all_used(): void
    {
        $found = SpeechFinder::find(
            SampleSound::start()
                ->noise(2000, -20)
                ->levels(),
        );

        self::assertSame(0, $found?->from->count);
        self::assertSame(96_000, $found->until->count);
    }

    /** @return iterable<string, array{SampleSound}> */
    public static function speechless(): iterable
    {
        yield 'nothing' => [SampleSound::start()];
        yield 'digital silence' => [SampleSound::start()->silence(2000)];
        yield 'an empty room' => [SampleSound::start()->noise(2000, -70)];
        yield 'one click' => [
            SampleSound::start()
                ->silence(900)
                ->noise(50, -10)
                ->silence(900),
        ];
    }

    #[DataProvider('speechless')]
    public function test_where_nobody_speaks_nothing_is_found(SampleSound $sound): void
    {
        self::assertNull(SpeechFinder::find($sound->levels()));
        self::assertSame([SoundFlag::Silent], SoundChecks::of($sound->levels()));
    }

    public function test_flags_say_what_is_wrong_with_the_sound(): void
    {
        $take = fn (float $voice): SampleSound => SampleSound::start()
            ->noise(800, -75)
            ->noise(2000, $voice)
            ->noise(800, -75);

        self::assertSame([], SoundChecks::of($take(-22)->levels()));
        self::assertSame([SoundFlag::VeryQuiet], SoundChecks::of($take(-45)->levels()));
        self::assertSame([SoundFlag::Silent], SoundChecks::of($take(-66)->levels()));
        $clipped = $take(-22)
            ->flat(1, 32767)
            ->silence(1)
            ->flat(1, 32767)
            ->silence(1)
            ->flat(1, 32767);
        self::assertSame([SoundFlag::Clipped], SoundChecks::of($clipped->levels()));
    }
}
