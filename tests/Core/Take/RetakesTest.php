<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\GivenCue;
use OpenReel\Core\Take\LiveCue;
use OpenReel\Core\Take\Retakes;
use PHPUnit\Framework\TestCase;

final class RetakesTest extends TestCase
{
    public function testWhatWasSaidOfALineBeforeGoingAgainIsNotUsed(): void
    {
        self::assertSame([[4000, 6500]], $this->fluffs(
            ['line', 0, 1], ['line', 4000, 2], ['again', 6500, 2], ['line', 6500, 2], ['line', 9000, 3],
        ));
    }

    public function testTwiceInARowIsOneFluff(): void
    {
        self::assertSame([[4000, 8000]], $this->fluffs(
            ['line', 0, 1], ['line', 4000, 2], ['again', 6500, 2], ['line', 6500, 2], ['again', 8000, 2], ['line', 8000, 2],
        ));
    }

    public function testBackToAnEarlierLineTakesEverythingSince(): void
    {
        self::assertSame([[1000, 7000]], $this->fluffs(
            ['line', 0, 1], ['line', 1000, 2], ['line', 3000, 3], ['line', 5000, 4], ['again', 7000, 2], ['line', 7000, 2],
        ));
    }

    public function testPausesAreLeftOut(): void
    {
        self::assertSame([[1000, 2500]], $this->fluffs(
            ['line', 1000, 1], ['pause', 2000, 0], ['resume', 60_000, 0], ['again', 60_500, 1],
        ));
    }

    public function testWithoutALineBeforeNothingIsLost(): void
    {
        self::assertSame([], $this->fluffs(['again', 3000, 5], ['line', 3000, 5]));
        self::assertSame([], $this->fluffs(['line', 0, 1], ['again', 0, 1]));
    }

    public function testCuesAreGivenAtTheirPlaceInTheLines(): void
    {
        $events = EventLog::parse(implode("\n", array_map(json_encode(...), [
            ['at_ms' => 50, 'kind' => 'cue', 'cue' => '[layout: camera alone]'],
            ['at_ms' => 6000, 'kind' => 'cue', 'cue' => '[slide: Tide curve]'],
            ['at_ms' => 6010, 'kind' => 'cue', 'cue' => '[layout: slide alone]'],
            ['at_ms' => 9900, 'kind' => 'cue', 'cue' => '[layout: side by side]'],
            ['at_ms' => 12_000, 'kind' => 'cue', 'cue' => '[layout: upside down]'],
            ['at_ms' => 15_000, 'kind' => 'cue', 'cue' => '[board: 2]'],
            ['at_ms' => 26_000, 'kind' => 'cue', 'cue' => 'rm -rf /'],
        ])));
        $lines = ['a' => Tick::ofMilliseconds(0), 'b' => Tick::ofMilliseconds(10_000), 'c' => Tick::ofMilliseconds(20_000)];
        $used = [Span::between(Tick::zero(), Tick::ofMilliseconds(30_000))];
        $retakes = [Span::between(Tick::of(48 * 14_000), Tick::of(48 * 16_000))];

        self::assertSame([
            ['line' => 'a', 'within' => 0.0, 'cue' => '[layout: camera alone]'],
            ['line' => 'a', 'within' => 0.6, 'cue' => '[slide: Tide curve]'],
            ['line' => 'a', 'within' => 0.601, 'cue' => '[layout: slide alone]'],
            ['line' => 'b', 'within' => 0.0, 'cue' => '[layout: side by side]'],
        ], array_map(fn (GivenCue $g): array => $g->toArray(), LiveCue::of($events, $retakes, $lines, $used)));
        self::assertSame([], LiveCue::of($events, [], [], $used));
    }

    /**
     * @param  array{string, int, int}  ...$events
     * @return list<array{int, int}> milliseconds
     */
    private function fluffs(array ...$events): array
    {
        $rows = array_map(
            fn (array $e): string => (string) json_encode(['kind' => $e[0], 'at_ms' => $e[1], 'line' => $e[2]]),
            $events,
        );

        return array_map(
            fn (Span $s): array => [$s->from->milliseconds(), $s->until->milliseconds()],
            Retakes::of(EventLog::parse(implode("\n", $rows))),
        );
    }
}
