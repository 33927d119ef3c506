<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\WordAnchor;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class LineTimesTest extends TestCase
{
    public function test_a_line_begins_when_the_prompter_came_to_it(): void
    {
        self::assertSame(
            ['a' => 1000, 'b' => 3000, 'c' => 6500],
            $this->times([[0, 'line', 1], [3000, 'line', 2], [6500, 'line', 3]]),
        );
    }

    public function test_a_pause_takes_no_time_in_the_take(): void
    {
        self::assertSame(
            ['a' => 1000, 'b' => 3000, 'c' => 6500],
            $this->times([[2000, 'pause', 0], [7000, 'resume', 0], [8000, 'line', 2], [11_500, 'line', 3]]),
        );
    }

    public function test_without_events_lines_share_the_time_by_their_length(): void
    {
        // All three lines are the same length: 8 s of speech, 2.667 s each.
        self::assertSame(['a' => 1000, 'b' => 3667, 'c' => 6333], $this->times([]));
    }

    public function test_a_line_between_two_noted_ones_lies_between_them(): void
    {
        self::assertSame(['a' => 1000, 'b' => 3000, 'c' => 5000], $this->times([[5000, 'line', 3]]));
    }

    public function test_going_back_to_a_line_says_it_and_the_rest_again(): void
    {
        self::assertSame(
            ['a' => 1000, 'b' => 4000, 'c' => 7000],
            $this->times([[2000, 'line', 2], [3000, 'line', 3], [4000, 'line', 2], [7000, 'line', 3]]),
        );
        self::assertSame(['a' => 5000, 'b' => 6333, 'c' => 7667], $this->times([[2000, 'line', 2], [5000, 'line', 1]]));
    }

    public function test_events_outside_the_part_used_and_of_no_line_move_nothing_out_of_it(): void
    {
        self::assertSame(
            ['a' => 1000, 'b' => 1000, 'c' => 9000],
            $this->times([[200, 'line', 2], [20_000, 'line', 3], [21_000, 'line', 9], [22_000, 'line', 0]]),
        );
        self::assertSame([], LineTimes::of([], [], Span::between(Tick::zero(), Tick::of(1))));
    }

    public function test_a_cue_inside_a_line_lies_where_the_presenter_went_on_to_it(): void
    {
        $rows = [
            ['at_ms' => 0, 'kind' => 'line', 'line' => 1],
            ['at_ms' => 500, 'kind' => 'step', 'line' => 1, 'within' => 0.25],
            ['at_ms' => 1000, 'kind' => 'step', 'line' => 1, 'within' => 0.75],
            // Back to the first cue and on again: the second one was too early, the first was not.
            ['at_ms' => 1500, 'kind' => 'step', 'line' => 1, 'within' => 0.25],
            ['at_ms' => 2000, 'kind' => 'pause'],
            ['at_ms' => 3000, 'kind' => 'resume'],
            ['at_ms' => 4000, 'kind' => 'step', 'line' => 1, 'within' => 0.75],
            ['at_ms' => 5000, 'kind' => 'line', 'line' => 2],
            ['at_ms' => 5500, 'kind' => 'step', 'line' => 2, 'within' => 0.5],
            ['at_ms' => 6000, 'kind' => 'line', 'line' => 2],
            ['at_ms' => 6500, 'kind' => 'step', 'line' => 9, 'within' => 0.5],
            ['at_ms' => 6600, 'kind' => 'step', 'line' => 2, 'within' => 'far'],
            ['at_ms' => 6700, 'kind' => 'step', 'line' => 2, 'within' => 1],
        ];
        $events = EventLog::parse(implode("\n", array_map(json_encode(...), $rows)));
        self::assertEquals($events, EventLog::parse(EventLog::write($events)), 'written and read again');
        $reached = LineTimes::reached([new SpokenLine('a', 'One.'), new SpokenLine('b', 'Two.')], $events);
        self::assertSame(
            [['a', 0.25, 500], ['a', 0.75, 3000]],
            array_map(fn (WordAnchor $r): array => [$r->line, $r->within, $r->at->milliseconds()], $reached),
        );

        $take = Example::view(
            't',
            1,
            [],
            Span::between(Tick::zero(), Tick::ofMilliseconds(8000)),
            ['a' => Tick::zero(), 'b' => Tick::ofMilliseconds(4000)],
            anchors: [...$reached, new WordAnchor('b', 0.5, Tick::ofMilliseconds(9000))],
        );
        $at = fn (string $line, float $within): ?int => $take->at($line, $within)?->milliseconds();
        self::assertSame(500, $at('a', 0.25));
        self::assertSame(3000, $at('a', 0.75));
        self::assertSame(1750, $at('a', 0.5), 'between two, by the text');
        self::assertSame(250, $at('a', 0.125));
        self::assertSame(3500, $at('a', 0.875));
        self::assertSame(9000, $at('b', 0.5), 'what is said behind what is used is not said before');
        self::assertNull($at('c', 0.5));
    }

    /**
     * @param  list<array{int, string, int}>  $events
     * @return array<string, int> milliseconds; the part from 1 s to 9 s is used
     */
    private function times(array $events): array
    {
        $lines = [
            new SpokenLine('a', 'One high tide.'),
            new SpokenLine('b', 'Two low tides.'),
            new SpokenLine('c', 'Three old boats.'),
        ];
        $noted = array_map(
            fn (array $e): TakeEvent => match ($e[1]) {
                'pause' => new Paused($e[0]),
                'resume' => new Resumed($e[0]),
                default => new LineShown($e[0], $e[2]),
            },
            $events,
        );

        return array_map(
            fn (Tick $t): int => $t->milliseconds(),
            LineTimes::of($lines, $noted, Span::between(Tick::ofMilliseconds(1000), Tick::ofMilliseconds(9000))),
        );
    }
}
