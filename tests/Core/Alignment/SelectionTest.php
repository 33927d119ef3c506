<?php

declare(strict_types=1);

namespace Tests\Core\Alignment;

use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\AttemptKind;
use PHPUnit\Framework\TestCase;

final class SelectionTest extends TestCase
{
    public function test_lines_that_follow_each_other_share_an_edge_in_the_silence_between(): void
    {
        self::assertSame(
            [[0, 1], [[700, 2250], [2250, 4400]], []],
            $this->used([[0, 'complete', 1000, 2000], [1, 'complete', 2500, 4000]]),
        );
    }

    public function test_a_false_start_is_left_out(): void
    {
        self::assertSame(
            [[0, 1], [[700, 2200], [3800, 5400]], [[2200, 3800]]],
            $this->used([[0, 'complete', 1000, 2000], [1, 'false start', 2400, 3200], [1, 'complete', 4100, 5000]]),
        );
    }

    public function test_of_two_whole_reads_the_later_one_is_used_unless_it_is_much_less_sure(): void
    {
        $reads = [[0, 'complete', 1000, 2000], [0, 'complete', 3000, 4000]];
        self::assertSame([[0], [[2700, 4400]], []], $this->used($reads));
        self::assertSame([[0], [[700, 2400]], []], $this->used([$reads[0], [...$reads[1], 0.5]]));
    }

    public function test_a_line_said_again_after_the_next_one_comes_behind_it(): void
    {
        self::assertSame(
            [[1, 0], [[2250, 3750], [3750, 5400]], []],
            $this->used([[0, 'complete', 1000, 2000], [1, 'complete', 2500, 3500], [0, 'complete', 4000, 5000]]),
        );
    }

    public function test_edges_keep_off_other_speech(): void
    {
        // 150 ms of silence before, 90 ms behind: too little for what words need, so that each side gets its part.
        self::assertSame([[0], [[920, 2060]], []], $this->used([[0, 'complete', 1000, 2000]], [[300, 850], [2090, 2600]]));
        self::assertSame([[0], [[0, 5000]], []], $this->used([[0, 'complete', 0, 5000]], length: 5000), 'no silence at all');
    }

    public function test_speech_that_is_no_line_stays_between_lines(): void
    {
        self::assertSame(
            [[0, 1], [[700, 3500], [3500, 6400]], []],
            $this->used([[0, 'complete', 1000, 2000], [1, 'complete', 5000, 6000]], [[2500, 4500]]),
        );
    }

    public function test_a_breath_beside_a_cut_is_left_out_whole_or_kept_whole(): void
    {
        // Silence, a breath from 700 to 1000 ms, and words from 1200 on; the middle of the silence would fall into the breath.
        $rms = array_fill(0, 1000, -70.0);
        array_splice($rms, 70, 30, array_fill(0, 30, -45.0));
        array_splice($rms, 120, 100, array_fill(0, 100, -20.0));
        $levels = new Levels($rms, [], 0, 480_000);

        [, [[$from]]] = $this->used([[0, 'complete', 1200, 2200]], levels: $levels);
        self::assertTrue($from < 660 || ($from >= 1040 && $from <= 1120), "a cut at {$from} ms");
        self::assertSame(900, $this->used([[0, 'complete', 1200, 2200]])[1][0][0], 'which would lie in it');
    }

    public function test_lines_in_which_one_stops_or_says_something_else_are_not_clean(): void
    {
        $span = fn (int $from, int $until): Span => Span::between(Tick::ofMilliseconds($from), Tick::ofMilliseconds($until));
        $read = fn (int $line, int $from, float $sure = 1.0): Attempt => new Attempt(
            $line, AttemptKind::Complete, $span($from, $from + 3000), [], $sure,
        );
        $heard = new Alignment(
            [$read(0, 1000), $read(1, 5000), $read(2, 9000, 0.4), $read(3, 13_000)],
            [$span(2000, 2500)],
            [$span(4000, 5000), $span(14_000, 17_500)],
            1.0,
        );

        $used = Selection::of($heard, Tick::ofMilliseconds(20_000));
        self::assertSame([0, 2, 3], $used->flawed($heard));
        self::assertSame([0, 2], $used->flawed($heard, mayPause: true), 'something is to be seen meanwhile');
    }

    public function test_nothing_is_used_of_a_take_without_a_whole_read(): void
    {
        self::assertSame([[], [], []], $this->used([[0, 'false start', 1000, 2000], [1, 'partial', 9000, 9900]]));
    }

    /**
     * @param  list<array{0: int, 1: string, 2: int, 3: int, 4?: float}>  $reads  line, kind, from, until, confidence
     * @param  list<array{int, int}>  $unscripted
     * @return array{list<int>, list<array{int, int}>, list<array{int, int}>} order; spans in that order; what is left out; ms
     */
    private function used(array $reads, array $unscripted = [], int $length = 10_000, ?Levels $levels = null): array
    {
        $span = fn (int $from, int $until): Span => Span::between(Tick::ofMilliseconds($from), Tick::ofMilliseconds($until));
        $ms = fn (Span $s): array => [$s->from->milliseconds(), $s->until->milliseconds()];
        $used = Selection::of(
            new Alignment(
                array_map(
                    fn (array $r): Attempt => new Attempt($r[0], AttemptKind::from($r[1]), $span($r[2], $r[3]), [], $r[4] ?? 1.0),
                    $reads,
                ),
                array_map(fn (array $u): Span => $span(...$u), $unscripted),
                [],
                1.0,
            ),
            Tick::ofMilliseconds($length),
            $levels,
        );

        return [
            $used->order,
            array_map(fn (int $line): array => $ms($used->spans[$line]), $used->order),
            array_map($ms, $used->left),
        ];
    }
}
