<?php

declare(strict_types=1);

namespace Tests\Core\Analysis;

use OpenReel\Core\Analysis\ContinuityBreak;
use OpenReel\Core\Analysis\TakeProfile;
use OpenReel\Core\Picture\CameraLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ContinuityBreakTest extends TestCase
{
    /** @return iterable<string, array{TakeProfile, list<ContinuityBreak>}> a take that follows one at -20 dBFS in a room at -60 */
    public static function followers(): iterable
    {
        yield 'the same' => [self::take(), []];
        yield 'a little louder' => [self::take(voice: -17.0), []];
        yield 'much nearer to the microphone' => [self::take(voice: -12.0, noise: -52.0), [ContinuityBreak::Louder]];
        yield 'further away, in the same room' => [self::take(voice: -31.0), [ContinuityBreak::Quieter, ContinuityBreak::MoreNoise]];
        yield 'a fan was switched on' => [self::take(noise: -48.0), [ContinuityBreak::MoreNoise]];
        yield 'a little more noise' => [self::take(noise: -55.0), []];
        yield 'silence before silence' => [self::take(noise: -72.0), [ContinuityBreak::LessNoise]];
        yield 'nobody speaks' => [new TakeProfile(null, null, self::camera()), []];
        yield 'the lamp was switched off' => [self::take(camera: self::camera(95.0)), [ContinuityBreak::Darker]];
        yield 'the sun came out' => [self::take(camera: self::camera(140.0)), [ContinuityBreak::Brighter]];
        yield 'a warmer lamp' => [self::take(camera: self::camera(120.0, -8.0, 6.0)), [ContinuityBreak::OtherColour]];
        yield 'sound only' => [new TakeProfile(-20.0, -60.0, null), []];
    }

    /** @param  list<ContinuityBreak>  $changes */
    #[DataProvider('followers')]
    public function test_what_one_hears_and_sees_when_takes_meet(TakeProfile $other, array $changes): void
    {
        self::assertSame($changes, ContinuityBreak::between(self::take(), $other));
    }

    public function test_a_room_that_is_not_heard_may_change(): void
    {
        self::assertSame([], ContinuityBreak::between(self::take(noise: -70.0), self::take(noise: -90.0)));
    }

    private static function take(float $voice = -20.0, float $noise = -60.0, ?CameraLook $camera = null): TakeProfile
    {
        return new TakeProfile($voice, $noise, $camera ?? self::camera());
    }

    private static function camera(float $brightness = 120.0, float $blue = -1.0, float $red = 2.0): CameraLook
    {
        $same = array_fill(0, CameraLook::CELLS, (int) $brightness);

        return new CameraLook($brightness, $blue, $red, $same, array_fill(0, CameraLook::CELLS, 0));
    }
}
