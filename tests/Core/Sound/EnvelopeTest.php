<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Sound\Envelope;
use PHPUnit\Framework\TestCase;

final class EnvelopeTest extends TestCase
{
    public function test_music_has_stepped_back_when_speech_begins_and_comes_again_behind_it(): void
    {
        $duck = Envelope::ducking(Spans::ofPairs([[1000, 2000], [2300, 3000], [9000, 9500]]), 20.0, 200, 400);

        // Between the first two there is no time to come up.
        self::assertSame(
            [[800, 1.0], [1000, 0.1], [3000, 0.1], [3400, 1.0], [8800, 1.0], [9000, 0.1], [9500, 0.1], [9900, 1.0]],
            $duck->points,
        );
        self::assertSame([1.0, 0.55, 0.1, 0.55, 1.0], array_map($duck->at(...), [0, 900, 1500, 3200, 50_000]));
        self::assertSame(1.0, Envelope::ducking([], 12.0, 200, 400)->at(77));
    }

    public function test_what_is_spoken_from_the_first_sample_is_not_under_loud_music(): void
    {
        self::assertSame(0.1, Envelope::ducking(Spans::ofPairs([[0, 100]]), 20.0, 200, 400)->at(0));
    }

    public function test_fades_that_have_no_time_meet(): void
    {
        self::assertSame([[0, 0.0], [100, 1.0], [900, 1.0], [1000, 0.0]], Envelope::fades(0, 1000, 100, 100)->points);
        self::assertSame([[0, 0.0], [250, 1.0], [1000, 0.0]], Envelope::fades(0, 1000, 1000, 3000)->points);
        self::assertSame([[5, 1.0], [10, 1.0]], Envelope::fades(5, 10, 0, 0)->points);
    }

    public function test_two_at_once_are_multiplied_also_where_both_move(): void
    {
        $both = Envelope::fades(0, 800, 800, 0)->times(Envelope::ducking(Spans::ofPairs([[800, 1600]]), 20.0, 400, 400));

        self::assertSame([0.0, 0.25, 0.5], array_map($both->at(...), [0, 200, 400]));
        // Half of the way down and three quarters up.
        self::assertEqualsWithDelta(0.75 * 0.55, $both->at(600), 0.001);
        self::assertSame(0.1, $both->at(800));
    }

    public function test_a_part_of_it_says_the_same(): void
    {
        $all = Envelope::fades(0, 1000, 500, 0)->louder(0.5);
        $part = $all->within(250, 750);

        self::assertSame([[250, 0.25], [500, 0.5], [750, 0.5]], $part->points);
        self::assertSame([[0, 0.25], [250, 0.5], [500, 0.5]], $part->delayed(-250)->points);
        $numbers = array_values(unpack('g*', $all->bytes(498, 503)) ?: []);
        self::assertCount(5, $numbers);
        self::assertEqualsWithDelta([0.498, 0.499, 0.5, 0.5, 0.5], $numbers, 1e-6);
    }
}
