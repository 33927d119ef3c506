<?php

declare(strict_types=1);

namespace Tests\Core\People;

use OpenReel\Core\People\NewPassword;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NewPasswordTest extends TestCase
{
    private const COMMON = ['password', 'qwertyuiop12', 'monkey'];

    #[TestWith(['low water at noon'])]
    #[TestWith(['вода стоит низко'])]
    #[TestWith(['            low water'])]
    #[TestWith(['🌊🌊 tide turns at 6'])]
    #[TestWith(['wenna likes the sill best'])]
    #[TestWith(['monkey reads the tides'])]
    public function test_words_that_do_not_belong_together_are_taken(string $password): void
    {
        self::assertNull($this->problem($password));
    }

    #[TestWith(['low water'])]
    #[TestWith(['wasser🌊🌊🌊🌊🌊'])]
    public function test_what_is_short_is_not(string $password): void
    {
        self::assertSame('A password needs at least 12 characters.', $this->problem($password));
    }

    public function test_nor_what_is_too_long_to_be_meant(): void
    {
        self::assertNull($this->problem(substr(str_repeat('the tide turns ', 10), 0, 128)));
        self::assertStringContainsString('at most 128', (string) $this->problem(str_repeat('the tide turns ', 10)));
    }

    #[TestWith(['qwertyuiop12'])]
    #[TestWith(['QwertyUiop12'])]
    #[TestWith(['password1234'])]
    #[TestWith(['2024!Password!!'])]
    #[TestWith(['aaaaaaaaaaaaaaa'])]
    #[TestWith(['abababababab'])]
    #[TestWith(['tide12tide12tide12'])]
    #[TestWith(['wenna tregear1'])]
    #[TestWith(['wenna@saltmarsh.example'])]
    public function test_nor_what_is_tried_first(string $password): void
    {
        self::assertStringContainsString('easy to guess', (string) $this->problem($password));
    }

    private function problem(string $password): ?string
    {
        $isCommon = fn (string $said): bool => in_array($said, self::COMMON, true);

        return NewPassword::problem($password, ['Wenna Tregear', 'wenna@saltmarsh.example', ''], $isCommon);
    }
}
