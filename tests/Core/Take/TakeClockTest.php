<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\TakeClock;
use OpenReel\Core\Take\TakeEvent;
use PHPUnit\Framework\TestCase;

final class TakeClockTest extends TestCase
{
    public function test_without_pauses_take_time_is_wall_time(): void
    {
        self::assertSame(4_200, TakeClock::fromEvents([])->at(4_200)->milliseconds());
    }

    public function test_a_pause_leaves_no_gap(): void
    {
        $clock = $this->clock(['pause', 2_000], ['resume', 5_000], ['pause', 7_000], ['resume', 7_500]);

        self::assertSame(2_000, $clock->at(2_000)->milliseconds());
        self::assertSame(2_000, $clock->at(3_700)->milliseconds(), 'inside the first pause');
        self::assertSame(2_000, $clock->at(5_000)->milliseconds());
        self::assertSame(4_000, $clock->at(7_200)->milliseconds(), 'inside the second pause');
        self::assertSame(6_500, $clock->at(10_000)->milliseconds());
    }

    public function test_a_pause_that_never_ended_lasts_on(): void
    {
        self::assertSame(2_000, $this->clock(['pause', 2_000])->at(60_000)->milliseconds());
    }

    public function test_doubled_and_stray_events_change_nothing(): void
    {
        $clock = $this->clock(['resume', 500], ['pause', 1_000], ['pause', 1_500], ['resume', 2_000], ['resume', 2_500]);

        self::assertSame(2_000, $clock->at(3_000)->milliseconds());
    }

    public function test_the_log_is_read_in_order_and_past_damage(): void
    {
        $events = EventLog::read("{\"at_ms\":900,\"kind\":\"line\",\"line\":2}\n{\"at_ms\":100,\"kind\":\"line\",\"line\":1}\nnot json\n{\"at_ms\":\"x\",\"kind\":\"line\"}\n{\"at_ms\":950.6,\"kind\":\"pau");

        self::assertEquals([new TakeEvent(100, 'line', ['line' => 1]), new TakeEvent(900, 'line', ['line' => 2])], $events);
    }

    /** @param  array{string, int}  ...$events */
    private function clock(array ...$events): TakeClock
    {
        return TakeClock::fromEvents(array_map(fn (array $e): TakeEvent => new TakeEvent($e[1], $e[0]), array_values($events)));
    }
}
