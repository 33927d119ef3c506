<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Kernel\Spans;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SpansTest extends TestCase
{
    /**
     * @param  list<array{int, int}>  $spans
     * @param  list<array{int, int}>  $union
     */
    #[TestWith([[], []])]
    #[TestWith([[[5, 9]], [[5, 9]]])]
    #[TestWith([[[20, 30], [0, 10]], [[0, 10], [20, 30]]])]
    #[TestWith([[[0, 10], [10, 20]], [[0, 20]]])]
    #[TestWith([[[0, 10], [11, 20]], [[0, 10], [11, 20]]])]
    #[TestWith([[[0, 100], [10, 20], [90, 110]], [[0, 110]]])]
    #[TestWith([[[3, 3], [4, 2], [1, 2]], [[1, 2]]])]
    public function test_what_overlaps_or_touches_is_one(array $spans, array $union): void
    {
        self::assertSame($union, Spans::pairs(Spans::union(Spans::ofPairs($spans))));
    }

    /**
     * @param  list<array{int, int}>  $spans
     * @param  list<array{int, int}>  $away
     * @param  list<array{int, int}>  $left
     */
    #[TestWith([[[100, 900]], [[300, 400]], [[100, 300], [400, 900]]])]
    #[TestWith([[[100, 900]], [[0, 150]], [[150, 900]]])]
    #[TestWith([[[100, 900]], [[850, 950]], [[100, 850]]])]
    #[TestWith([[[100, 900]], [[50, 950]], []])]
    #[TestWith([[[0, 30], [40, 70]], [[10, 20], [50, 60]], [[0, 10], [20, 30], [40, 50], [60, 70]]])]
    #[TestWith([[[0, 30]], [[30, 40]], [[0, 30]]])]
    #[TestWith([[[0, 30]], [[25, 28], [0, 5], [4, 6], [26, 29]], [[6, 25], [29, 30]]])]
    #[TestWith([[[0, 10], [20, 30]], [[5, 25]], [[0, 5], [25, 30]]])]
    #[TestWith([[], [[5, 25]], []])]
    public function test_what_is_left(array $spans, array $away, array $left): void
    {
        self::assertSame($left, Spans::pairs(Spans::minus(Spans::ofPairs($spans), Spans::ofPairs($away))));
    }
}
