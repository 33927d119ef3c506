<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Sound\GainSearch;
use PHPUnit\Framework\TestCase;

final class GainSearchTest extends TestCase
{
    public function test_the_first_gain_is_what_is_missing(): void
    {
        $search = GainSearch::start(-16.0, -23.4);

        self::assertSame(7.4, $search->gain);
        self::assertFalse($search->done);
    }

    public function test_what_the_limiter_took_is_added_until_near_enough(): void
    {
        $search = GainSearch::start(-16.0, -30.0)->next(-17.1);
        self::assertSame(15.1, $search->gain);
        self::assertFalse($search->done);

        $search = $search->next(-16.15);
        self::assertTrue($search->done);
        self::assertSame(15.1, $search->gain, 'near enough keeps the gain that was tried');
    }

    public function test_a_loud_take_is_turned_down(): void
    {
        self::assertSame(-4.5, GainSearch::start(-16.0, -11.5)->gain);
    }

    public function test_it_gives_up_after_four_tries(): void
    {
        $search = GainSearch::start(-16.0, -30.0);
        for ($try = 1; $try <= 4; $try++) {
            self::assertFalse($search->done);
            $search = $search->next(-18.0);
        }

        self::assertTrue($search->done);
    }

    public function test_when_it_gives_up_the_best_try_counts_and_not_the_last(): void
    {
        // 14 dB miss by 1.0, 15 dB by 0.4, 15.4 dB by 0.9 the other way, 14.5 dB by 0.6.
        $search = GainSearch::start(-16.0, -30.0)->next(-17.0)->next(-16.4)->next(-15.1)->next(-16.6);

        self::assertTrue($search->done);
        self::assertSame(15.0, $search->gain);
    }

    public function test_silence_is_left_alone(): void
    {
        self::assertEquals([0.0, true], [GainSearch::start(-16.0, null)->gain, GainSearch::start(-16.0, null)->done]);
        self::assertTrue(GainSearch::start(-16.0, -69.5)->done);
    }

    public function test_gain_is_bounded(): void
    {
        $search = GainSearch::start(-16.0, -65.0);

        self::assertSame(40.0, $search->gain);
        self::assertTrue($search->next(-25.0)->done, 'more of the same cannot help');
    }
}
