<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\TakeChoice;
use OpenReel\Core\Coverage\TakeState;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;

final class TakeChoiceTest extends TestCase
{
    public function test_the_kept_take_is_used_and_no_other(): void
    {
        self::assertSame([], $this->used([]));
        self::assertSame([], $this->used([$this->take(1, Verdict::Undecided), $this->take(2, Verdict::Discarded)]));
        self::assertSame(['take1'], $this->used([$this->take(1, Verdict::Kept), $this->take(2, Verdict::Undecided)]));
    }

    public function test_of_two_kept_takes_the_later_counts_whatever_their_order(): void
    {
        self::assertSame(['take3'], $this->used([$this->take(3, Verdict::Kept), $this->take(1, Verdict::Kept)]));
    }

    public function test_a_kept_take_that_cannot_be_played_is_not_used(): void
    {
        self::assertSame([], $this->used([$this->take(1, Verdict::Kept, usable: false)]));
    }

    public function test_keeping_another_moves_the_mark_and_discards_nothing(): void
    {
        $takes = [$this->take(1, Verdict::Kept), $this->take(2, Verdict::Undecided), $this->take(3, Verdict::Discarded)];

        self::assertSame(['take1' => Verdict::Undecided, 'take2' => Verdict::Kept], TakeChoice::afterVerdict($takes, 'take2', Verdict::Kept));
        self::assertSame(['take1' => Verdict::Undecided, 'take3' => Verdict::Kept], TakeChoice::afterVerdict($takes, 'take3', Verdict::Kept));
        self::assertSame(['take1' => Verdict::Discarded], TakeChoice::afterVerdict($takes, 'take1', Verdict::Discarded));
        self::assertSame([], TakeChoice::afterVerdict($takes, 'take1', Verdict::Kept));
    }

    public function test_takes_of_merged_sections_are_used_one_after_the_other_in_the_order_of_their_lines(): void
    {
        $first = $this->take(2, Verdict::Kept, lines: ['a', 'b']);
        $second = $this->take(1, Verdict::Kept, lines: ['c', 'gone']);

        self::assertSame(['take2', 'take1'], $this->used([$second, $first], ['a', 'b', 'c']));
        self::assertSame(['take1', 'take2'], $this->used([$second, $first], ['c', 'a', 'b']));
    }

    public function test_a_take_of_the_whole_merged_section_takes_the_place_of_both(): void
    {
        $takes = [$this->take(1, Verdict::Kept, lines: ['a']), $this->take(2, Verdict::Kept, lines: ['b']), $this->take(3, Verdict::Undecided, lines: ['a', 'b'])];

        self::assertSame(['take1' => Verdict::Undecided, 'take2' => Verdict::Undecided, 'take3' => Verdict::Kept], TakeChoice::afterVerdict($takes, 'take3', Verdict::Kept));
        self::assertSame(['take3' => Verdict::Kept], TakeChoice::afterVerdict([$takes[0], $this->take(3, Verdict::Undecided, lines: ['b'])], 'take3', Verdict::Kept));
        self::assertSame(['take3'], $this->used([$takes[0], $takes[1], $this->take(3, Verdict::Kept, lines: ['a', 'b'])], ['a', 'b']));
    }

    /**
     * @param  list<TakeState>  $takes
     * @param  list<string>  $lines
     * @return list<string>
     */
    private function used(array $takes, array $lines = []): array
    {
        return array_map(fn (TakeState $t): string => $t->id, TakeChoice::used($takes, $lines));
    }

    /** @param  list<string>  $lines */
    private function take(int $number, Verdict $verdict, bool $usable = true, array $lines = []): TakeState
    {
        return new TakeState("take{$number}", $number, $verdict, $usable, $lines);
    }
}
