<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Kernel\PlainText;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PlainTextTest extends TestCase
{
    #[TestWith(["Tide\x00s", 'Tides'])]
    #[TestWith(["a\x0Bb\x1Fc\x7Fd\u{85}e", 'abcde'])]
    #[TestWith(["tab\tand\nrows\r\nstay", "tab\tand\nrows\r\nstay"])]
    #[TestWith(["\u{FFFE}no character\u{FFFF}", 'no character'])]
    #[TestWith(["🌊 \u{202E}right to left\u{202C} e\u{301}", "🌊 \u{202E}right to left\u{202C} e\u{301}"])]
    #[TestWith(["\xFFbroken", '?broken'])]
    public function test_only_what_no_text_needs_is_taken_out(string $text, string $clean): void
    {
        self::assertSame($clean, PlainText::of($text));
    }

    public function test_a_row_is_one_row(): void
    {
        self::assertSame('High water and low', PlainText::row("High\nwater\r\n\tand\u{2028}low\x00"));
    }
}
