<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\DraftOrder;
use OpenReel\Core\Coverage\SectionCoverage;
use OpenReel\Core\Coverage\UsedPart;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class DraftOrderTest extends TestCase
{
    public function test_lines_that_nobody_speaks_come_where_they_are_written(): void
    {
        self::assertSame(['a', 'b'], $this->order([], ['b', 'a']), 'nothing is recorded');
        self::assertSame(['a', 'b c', 'd'], $this->order([['b', 'c']], ['a', 'd']));
        self::assertSame(['a', 'b', 'c d'], $this->order([['a'], ['c', 'd']], ['b']));
        self::assertSame(['a b c d'], $this->order([['a', 'b', 'c', 'd']], []));
        // The line left out of the middle of a take is read behind all that goes on in it.
        self::assertSame(['a c', 'b', 'd'], $this->order([['a', 'c'], ['d']], ['b']));
    }

    public function test_nothing_is_read_beside_a_take_that_may_say_it(): void
    {
        self::assertSame([''], $this->order([[]], ['a', 'b', 'c', 'd']));
    }

    /**
     * @param  list<list<string>>  $parts
     * @param  list<string>  $missing
     * @return list<string>
     */
    private function order(array $parts, array $missing): array
    {
        $used = array_map(fn (array $lines): UsedPart => new UsedPart('take', Example::span(0, 48_000), $lines), $parts);

        return array_map(
            fn (UsedPart|string $one): string => is_string($one) ? $one : implode(' ', $one->lines),
            DraftOrder::of(
                $parts === [] ? ['a', 'b'] : ['a', 'b', 'c', 'd'],
                new SectionCoverage($used, $missing, false),
            ),
        );
    }
}
