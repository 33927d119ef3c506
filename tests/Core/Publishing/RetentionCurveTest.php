<?php

declare(strict_types=1);

namespace Tests\Core\Publishing;

use OpenReel\Core\Publishing\RetentionCurve;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class RetentionCurveTest extends TestCase
{
    /** Where they begin, in milliseconds. */
    private const CHAPTERS = [0, 10_000, 21_000];

    public function test_each_chapter_is_measured_against_what_was_seen_most(): void
    {
        // Ten saw the first ten seconds, six went on, three of them to the end.
        $times = [0 => 10, 1 => 10, 2 => 8, 3 => 6, 4 => 3, 5 => 3];

        self::assertSame([1.0, 0.7, 0.3], RetentionCurve::byChapter(self::CHAPTERS, 30_000, $times));
    }

    public function test_nobody_has_watched_yet(): void
    {
        self::assertSame([0.0, 0.0, 0.0], RetentionCurve::byChapter(self::CHAPTERS, 30_000, []));
        self::assertSame([], RetentionCurve::byChapter([], 0, [0 => 3]));
    }

    public function test_a_chapter_shorter_than_a_part_counts_as_the_part_it_lies_in(): void
    {
        self::assertSame([0.5, 0.75], RetentionCurve::byChapter([0, 2_000], 9_000, [0 => 2, 1 => 4]));
    }

    #[TestWith([0, 1])]
    #[TestWith([5_000, 1])]
    #[TestWith([5_001, 2])]
    #[TestWith([3_600_000, 720])]
    public function test_how_many_parts_there_are(int $length, int $parts): void
    {
        self::assertSame($parts, RetentionCurve::count($length));
    }
}
