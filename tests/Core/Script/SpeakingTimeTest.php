<?php

namespace Tests\Core\Script;

use OpenReel\Core\Script\LineSplitter;
use OpenReel\Core\Script\SpeakingTime;
use PHPUnit\Framework\TestCase;

final class SpeakingTimeTest extends TestCase
{
    public function test_nothing_takes_no_time(): void
    {
        self::assertSame(0, SpeakingTime::of([])->milliseconds());
    }

    public function test_words_commas_lines_and_paragraphs_each_take_their_time(): void
    {
        // 4 words x 364 + a comma 180 + a line 450.
        self::assertSame(4 * 364 + 180 + 450, $this->time('Look, high water comes.'));
        // The same twice, with 500 between the paragraphs.
        self::assertSame(2 * (4 * 364 + 180 + 450) + 500, $this->time("Look, high water comes.\n\nLook, high water comes."));
    }

    public function test_digits_are_read_one_by_one(): void
    {
        self::assertSame(1 + 1 + 2 + 1, SpeakingTime::words('It is 4.8 m'));
        self::assertSame(2 + 4, SpeakingTime::words('HW at 06:42'));
        self::assertSame(1 + 2 + 2, SpeakingTime::words('1/12 per hour'));
        self::assertSame(0, SpeakingTime::words('... - "'));
    }

    public function test_a_hundred_and_forty_ordinary_words_take_about_a_minute(): void
    {
        $text = str_repeat('The water in the creek falls slowly at first, and then it falls fast. ', 10);

        self::assertSame(140, SpeakingTime::words($text));
        self::assertEqualsWithDelta(58_000, $this->time($text), 3_000);
    }

    private function time(string $text): int
    {
        return SpeakingTime::of(LineSplitter::split($text))->milliseconds();
    }
}
