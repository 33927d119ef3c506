<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use OpenReel\Core\Script\Number;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NumberTest extends TestCase
{
    #[TestWith(['0', 'zero'])]
    #[TestWith(['7', 'seven'])]
    #[TestWith(['13', 'thirteen'])]
    #[TestWith(['20', 'twenty'])]
    #[TestWith(['42', 'forty-two'])]
    #[TestWith(['100', 'one hundred'])]
    #[TestWith(['101', 'one hundred and one'])]
    #[TestWith(['999', 'nine hundred and ninety-nine'])]
    #[TestWith(['1000', 'one thousand'])]
    #[TestWith(['1001', 'one thousand and one'])]
    #[TestWith(['1100', 'one thousand one hundred'])]
    #[TestWith(['12345', 'twelve thousand three hundred and forty-five'])]
    #[TestWith(['1000000', 'one million'])]
    #[TestWith(['2000000000', 'two billion'])]
    #[TestWith(['3.14', 'three point one four'])]
    #[TestWith(['0.05', 'zero point zero five'])]
    #[TestWith(['007', 'zero zero seven'])]
    #[TestWith(['01234567890123', 'zero one two three four five six seven eight nine zero one two three'])]
    public function test_numbers_in_words(string $digits, string $words): void
    {
        self::assertSame($words, Number::words($digits));
    }

    #[TestWith([1, 'first'])]
    #[TestWith([2, 'second'])]
    #[TestWith([3, 'third'])]
    #[TestWith([5, 'fifth'])]
    #[TestWith([8, 'eighth'])]
    #[TestWith([9, 'ninth'])]
    #[TestWith([12, 'twelfth'])]
    #[TestWith([20, 'twentieth'])]
    #[TestWith([21, 'twenty-first'])]
    #[TestWith([100, 'one hundredth'])]
    public function test_ordinals(int $number, string $words): void
    {
        self::assertSame($words, Number::ordinal($number));
    }

    #[TestWith([1066, 'one thousand and sixty-six'])]
    #[TestWith([1800, 'eighteen hundred'])]
    #[TestWith([1905, 'nineteen oh five'])]
    #[TestWith([1999, 'nineteen ninety-nine'])]
    #[TestWith([2000, 'two thousand'])]
    #[TestWith([2009, 'two thousand and nine'])]
    #[TestWith([2026, 'twenty twenty-six'])]
    public function test_years(int $year, string $words): void
    {
        self::assertSame($words, Number::year($year));
    }
}
