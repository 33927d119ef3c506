<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Take\Event\LineShown;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;
use PHPUnit\Framework\TestCase;

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
