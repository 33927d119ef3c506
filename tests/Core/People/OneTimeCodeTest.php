<?php

declare(strict_types=1);

namespace Tests\Core\People;

use OpenReel\Core\People\OneTimeCode;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class OneTimeCodeTest extends TestCase
{
    /** The secret of the test vectors in RFC 6238, appendix B. */
    private const SECRET = '12345678901234567890';

    #[TestWith([59, '287082'])]
    #[TestWith([1_111_111_109, '081804'])]
    #[TestWith([1_111_111_111, '050471'])]
    #[TestWith([1_234_567_890, '005924'])]
    #[TestWith([2_000_000_000, '279037'])]
    #[TestWith([20_000_000_000, '353130'])]
    public function test_codes_are_those_of_the_standard(int $time, string $code): void
    {
        // Its codes have eight digits; six are the last of these.
        self::assertSame($code, (new OneTimeCode(self::SECRET))->at($time));
    }

    public function test_a_code_holds_half_a_minute_before_and_after_and_once(): void
    {
        $codes = new OneTimeCode(self::SECRET);
        $step = intdiv(1_111_111_109, 30);
        self::assertSame($step, $codes->stepOf('081804', 1_111_111_109));
        self::assertSame($step, $codes->stepOf(' 081 804 ', 1_111_111_109 + 30));
        self::assertSame($step, $codes->stepOf('081804', 1_111_111_109 - 30));
        self::assertNull($codes->stepOf('081804', 1_111_111_109 + 60));
        self::assertNull($codes->stepOf('081804', 1_111_111_109 - 60));
        self::assertNull($codes->stepOf('081804', 1_111_111_109, $step), 'used already');
        self::assertNull($codes->stepOf('081804', 1_111_111_109, $step + 1), 'a later one was used');
    }

    #[TestWith([''])]
    #[TestWith(['81804'])]
    #[TestWith(['0818041'])]
    #[TestWith(['０８１８０４'])]
    #[TestWith(["08180\x004"])]
    public function test_what_is_no_code_does_not_hold(string $code): void
    {
        self::assertNull((new OneTimeCode(self::SECRET))->stepOf($code, 1_111_111_109));
    }

    /** RFC 4648, 10. */
    #[TestWith(['f', 'MY'])]
    #[TestWith(['fo', 'MZXQ'])]
    #[TestWith(['foo', 'MZXW6'])]
    #[TestWith(['foob', 'MZXW6YQ'])]
    #[TestWith(['foobar', 'MZXW6YTBOI'])]
    public function test_a_secret_is_typed_in_base_32(string $secret, string $typed): void
    {
        self::assertSame($typed, (new OneTimeCode($secret))->typed());
    }

    public function test_authenticators_know_its_address(): void
    {
        self::assertSame(
            'otpauth://totp/Open%20Reel:wenna%40saltmarsh.example?secret=MZXW6YTBOI&issuer=Open%20Reel',
            (new OneTimeCode('foobar'))->address('Open Reel', 'wenna@saltmarsh.example'),
        );
    }
}
