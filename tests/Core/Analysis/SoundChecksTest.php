<?php

declare(strict_types=1);

namespace Tests\Core\Analysis;

use OpenReel\Core\Analysis\MainsHum;
use OpenReel\Core\Analysis\RoomNoise;
use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\SoundFlag;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sound\SampleSound;

final class SoundChecksTest extends TestCase
{
    public function test_the_room_lies_as_far_under_the_voice_as_it_was_made(): void
    {
        $room = RoomNoise::of(self::spoken(-60.0)->levels());

        self::assertNotNull($room);
        self::assertEqualsWithDelta(-20.0, $room->voice, 1.0);
        self::assertEqualsWithDelta(-60.0, $room->noise, 1.0);
        self::assertEqualsWithDelta(40.0, $room->under(), 1.5);
        self::assertTrue($room->isVoice(-25.0));
        self::assertFalse($room->isVoice(-40.0));
    }

    public function test_pauses_do_not_make_a_voice_quieter(): void
    {
        $short = RoomNoise::of(self::spoken(-60.0)->levels());
        $long = RoomNoise::of(self::spoken(-60.0)->noise(8_000, -60.0)->levels());

        self::assertNotNull($short);
        self::assertEqualsWithDelta($short->voice, $long->voice ?? 0.0, 0.3);
    }

    public function test_nobody_speaks_in_noise_alone(): void
    {
        self::assertNull(RoomNoise::of(SampleSound::start()->noise(500, -70.0)->levels()));
        self::assertNull(RoomNoise::of(new Levels([], [], 0, 0)));
    }

    /** @return iterable<string, array{float, list<SoundFlag>}> level of the room beside a voice at -20 dBFS, and flags */
    public static function rooms(): iterable
    {
        yield 'a silent room' => [-90.0, []];
        yield 'a room that is heard a little' => [-52.0, []];
        yield 'a fan' => [-41.0, [SoundFlag::Noisy]];
    }

    /** @param  list<SoundFlag>  $flags */
    #[DataProvider('rooms')]
    public function test_a_loud_room_is_flagged(float $noise, array $flags): void
    {
        self::assertSame($flags, SoundChecks::of(self::spoken($noise)->levels()));
    }

    /** @return iterable<string, array{callable(float): float, int|null}> the sound at a second, and the mains that hum in it */
    public static function hums(): iterable
    {
        $tone = fn (float $hertz, float $db): \Closure => fn (float $s): float => 10 ** ($db / 20) * sin(2 * M_PI * $hertz * $s);
        yield 'nothing' => [fn (): float => 0.0, null];
        yield 'mains of Europe' => [$tone(50, -50), 50];
        yield 'mains of America, twice' => [$tone(120, -50), 60];
        yield 'three times' => [$tone(150, -55), 50];
        yield 'too quiet to be heard' => [$tone(50, -90), null];
        yield 'another tone' => [$tone(87, -40), null];
        // A low voice, gliding through 100 Hz and back, with pauses.
        yield 'a voice' => [
            fn (float $s): float => fmod($s, 1.5) > 1.1 ? 0.0 : 0.1 * sin(2 * M_PI * (100 * $s + 12 * sin(2.3 * $s))),
            null,
        ];
    }

    #[DataProvider('hums')]
    public function test_hum_is_a_tone_of_the_mains_that_does_not_go_away(callable $sound, ?int $mains): void
    {
        mt_srand(5);
        $pcm = '';
        for ($i = 0; $i < 6 * MainsHum::RATE; $i++) {
            $value = 32768 * $sound($i / MainsHum::RATE) + mt_rand(-12, 12);
            $pcm .= pack('v', (int) round($value) & 0xFFFF);
        }

        self::assertSame($mains, MainsHum::of($pcm)?->frequency);
    }

    public function test_the_level_of_hum_is_that_of_its_tone(): void
    {
        $pcm = '';
        for ($i = 0; $i < 4 * MainsHum::RATE; $i++) {
            $pcm .= pack('v', (int) round(327.68 * sin((2 * M_PI * 50 * $i) / MainsHum::RATE)) & 0xFFFF);
        }

        self::assertEqualsWithDelta(-40.0, MainsHum::of($pcm)->level ?? 0.0, 0.2);
        self::assertNull(MainsHum::of(substr($pcm, 0, MainsHum::RATE * 2)), 'one second tells nothing');
        self::assertNull(MainsHum::of("\x01"));
    }

    public function test_a_voice_without_heights_comes_through_a_telephone(): void
    {
        $voice = self::spoken(-60.0)->levels();
        $heights = fn (float $under): Levels => new Levels(
            array_map(fn (float $rms): float => $rms - $under, $voice->rms), [], 0, $voice->samples,
        );

        self::assertSame([], SoundChecks::further($voice, $heights(30.0), null));
        self::assertSame([SoundFlag::Telephone], SoundChecks::further($voice, $heights(65.0), null));
    }

    public function test_the_room_alone_is_where_it_is_quietest(): void
    {
        $levels = SampleSound::start()->noise(400, -20.0)->noise(500, -60.0)->noise(300, -20.0)->noise(200, -60.0)->levels();
        $alone = $levels->quietestStretch(Tick::ofMilliseconds(300));

        self::assertNotNull($alone);
        self::assertGreaterThanOrEqual(400, $alone->from->milliseconds());
        self::assertLessThanOrEqual(900, $alone->until->milliseconds());
        self::assertSame(300, $alone->length()->milliseconds());
        self::assertLessThan(-55.0, $levels->loudestIn($alone));
        self::assertNull($levels->quietestStretch(Tick::ofMilliseconds(2_000)));
    }

    /** Somebody speaks in a room: words at -20 dBFS with gaps. */
    private static function spoken(float $noise): SampleSound
    {
        $sound = SampleSound::start()->noise(700, $noise);
        for ($word = 0; $word < 5; $word++) {
            $sound->noise(400, -20.0)->noise(160, $noise);
        }

        return $sound->noise(600, $noise);
    }
}
