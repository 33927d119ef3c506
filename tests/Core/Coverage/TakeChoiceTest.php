<?php

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\TakeChoice;
use OpenReel\Core\Coverage\TakeState;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;

final class TakeChoiceTest extends TestCase
{
    public function test_the_kept_take_is_used_and_no_other(): void
    {
        self::assertNull(TakeChoice::used([]));
        self::assertNull(TakeChoice::used([$this->take(1, Verdict::Undecided), $this->take(2, Verdict::Discarded)]));
        self::assertSame('take1', TakeChoice::used([$this->take(1, Verdict::Kept), $this->take(2, Verdict::Undecided)])?->id);
    }

    public function test_of_two_kept_takes_the_later_counts_whatever_their_order(): void
    {
        self::assertSame('take3', TakeChoice::used([$this->take(3, Verdict::Kept), $this->take(1, Verdict::Kept)])?->id);
    }

    public function test_a_kept_take_that_cannot_be_played_is_not_used(): void
    {
        self::assertNull(TakeChoice::used([$this->take(1, Verdict::Kept, usable: false)]));
    }

    public function test_keeping_another_moves_the_mark_and_discards_nothing(): void
    {
        $takes = [$this->take(1, Verdict::Kept), $this->take(2, Verdict::Undecided), $this->take(3, Verdict::Discarded)];

        self::assertSame(['take1' => Verdict::Undecided, 'take2' => Verdict::Kept], TakeChoice::afterVerdict($takes, 'take2', Verdict::Kept));
        self::assertSame(['take1' => Verdict::Undecided, 'take3' => Verdict::Kept], TakeChoice::afterVerdict($takes, 'take3', Verdict::Kept));
        self::assertSame(['take1' => Verdict::Discarded], TakeChoice::afterVerdict($takes, 'take1', Verdict::Discarded));
        self::assertSame([], TakeChoice::afterVerdict($takes, 'take1', Verdict::Kept));
    }

    public function test_the_newest_undecided_take_is_looked_at_next_until_one_is_kept(): void
    {
        self::assertSame('take2', TakeChoice::toReview([$this->take(1, Verdict::Undecided), $this->take(2, Verdict::Undecided)])?->id);
        self::assertNull(TakeChoice::toReview([$this->take(1, Verdict::Kept), $this->take(2, Verdict::Undecided)]));
    }

    private function take(int $number, Verdict $verdict, bool $usable = true): TakeState
    {
        return new TakeState("take{$number}", $number, $verdict, $usable);
    }
}
