<?php

declare(strict_types=1);

namespace Tests\Core\People;

use OpenReel\Core\People\PairingCode;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PairingCodeTest extends TestCase
{
    #[TestWith(['048213', '048213'])]
    #[TestWith([' 048 213 ', '048213'])]
    #[TestWith(['048-213', '048213'])]
    #[TestWith(["048\u{a0}213", '048213'])]
    #[TestWith(['48213', null])]
    #[TestWith(['0482131', null])]
    #[TestWith(['04821x', null])]
    #[TestWith(["048213\n\n1", null])]
    #[TestWith(['', null])]
    public function test_it_is_read_as_people_type_it(string $typed, ?string $read): void
    {
        self::assertSame($read, PairingCode::read($typed));
    }

    #[TestWith([1000, 0, 300, true])]
    #[TestWith([1299, 4, 1, true])]
    #[TestWith([1300, 0, 0, false])]
    #[TestWith([1000, 5, 300, false])]
    #[TestWith([9000, 0, 0, false])]
    public function test_it_counts_for_five_minutes_and_five_tries(int $now, int $wrong, int $left, bool $open): void
    {
        $code = new PairingCode(1000, $wrong);
        self::assertSame($left, $code->secondsLeft($now));
        self::assertSame($open, $code->isOpen($now));
    }

    public function test_drawn_codes_have_six_digits_and_differ(): void
    {
        $drawn = array_map(fn (): string => PairingCode::draw(), range(1, 200));
        foreach ($drawn as $one) {
            self::assertSame($one, PairingCode::read($one));
        }
        self::assertGreaterThan(190, count(array_unique($drawn)));
        // Also those that begin with nought.
        self::assertNotSame([], array_filter($drawn, fn (string $one): bool => $one[0] === '0'));
    }
}
