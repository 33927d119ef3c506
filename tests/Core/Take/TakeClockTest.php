<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\Event\BoxDrawn;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\Event\TrackStarted;
use OpenReel\Core\Take\Event\UnknownEvent;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\TakeAnnotations;
use OpenReel\Core\Take\TakeClock;
use OpenReel\Core\Take\TrackOffsets;
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
        self::assertSame(
            2_000,
            $this->clock(['pause', 2_000])
                ->at(60_000)
                ->milliseconds(),
        );
    }

    public function test_doubled_and_stray_events_change_nothing(): void
    {
        $clock = $this->clock(['resume', 500], ['pause', 1_000], ['pause', 1_500], ['resume', 2_000], ['resume', 2_500]);

        self::assertSame(2_000, $clock->at(3_000)->milliseconds());
    }

    public function test_the_log_is_read_in_order_and_past_damage(): void
    {
        $events = EventLog::parse(
            "{\"at_ms\":900,\"kind\":\"line\",\"line\":2}\n{\"at_ms\":100,\"kind\":\"line\",\"line\":1}\nnot "
                ."json\n{\"at_ms\":\"x\",\"kind\":\"line\"}\n{\"at_ms\":950.6,\"kind\":\"pau",
        );

        self::assertEquals([new LineShown(100, 1), new LineShown(900, 2)], $events);
    }

    public function test_every_kind_is_a_value_of_its_own_and_what_is_not_known_is_kept(): void
    {
        $log =
            '{"at_ms":0,"kind":"start","track":"camera"}'.
            "\n".
            '{"at_ms":14,"kind":"start","track":"screen"}'.
            "\n".
            '{"at_ms":20,"kind":"box","for_ms":2000,"x":0.1,"y":0.2,"width":2,"height":0.5,"colour":"0B5D66"}'.
            "\n".
            '{"at_ms":30,"kind":"line","line":0}'.
            "\n".
            '{"at_ms":31,"kind":"box","x":"left"}'.
            "\n".
            '{"at_ms":40,"kind":"wave","at":[1,2]}'.
            "\n";
        $events = EventLog::parse($log);

        self::assertEquals(
            [
                new TrackStarted(0, TrackKind::Camera),
                new TrackStarted(14, TrackKind::Screen),
                new BoxDrawn(20, new Box(0.1, 0.2, 0.9, 0.5), 2000),
                new UnknownEvent(30, ['kind' => 'line', 'line' => 0]),
                new UnknownEvent(31, ['kind' => 'box', 'x' => 'left']),
                new UnknownEvent(40, ['kind' => 'wave', 'at' => [1, 2]]),
            ],
            $events,
        );
        self::assertEquals($events, EventLog::parse(EventLog::write($events)), 'written and read again');
        self::assertSame(['camera' => 0, 'screen' => 14 * 48], array_map(fn ($t): int => $t->count, TrackOffsets::of($events)));
        self::assertSame([], TrackOffsets::of([]));
    }

    public function test_what_is_drawn_rests_while_the_take_is_paused(): void
    {
        $events = [new BoxDrawn(1000, new Box(0, 0, 1, 1), 2000), new Paused(1500), new Resumed(9000)];
        [$mark] = TakeAnnotations::of($events)->marks;

        self::assertSame([48_000, 72_000], [$mark->seen->from->count, $mark->seen->until->count]);
    }

    /** @param  array{string, int}  ...$events */
    private function clock(array ...$events): TakeClock
    {
        return TakeClock::fromEvents(
            array_map(
                fn (array $e): TakeEvent => $e[0] === 'pause' ? new Paused($e[1]) : new Resumed($e[1]),
                array_values($events),
            ),
        );
    }
}
