<?php

declare(strict_types=1);

namespace Tests\Core\Publishing;

use OpenReel\Core\Publishing\RetentionCurve;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class RetentionCurveTest extends TestCase
{
    private const CHAPTERS = [
        ['title' => 'One', 'from_ms' => 0], ['title' => 'Two', 'from_ms' => 10_000], ['title' => 'Three', 'from_ms' => 21_000],
    ];

    public function test_each_chapter_is_measured_against_what_was_seen_most(): void
    {
        // Ten saw the first ten seconds, six went on, three of them to the end.
        $times = [0 => 10, 1 => 10, 2 => 8, 3 => 6, 4 => 3, 5 => 3];

        self::assertSame(
            [['One', 1.0], ['Two', 0.7], ['Three', 0.3]],
            array_map(fn (array $c): array => [$c['title'], $c['seen']], RetentionCurve::byChapter(self::CHAPTERS, 30_000, $times)),
        );
    }

    public function test_nobody_has_watched_yet(): void
    {
        self::assertSame([0.0, 0.0, 0.0], array_column(RetentionCurve::byChapter(self::CHAPTERS, 30_000, []), 'seen'));
        self::assertSame([], RetentionCurve::byChapter([], 0, [0 => 3]));
    }

    public function test_a_chapter_shorter_than_a_part_counts_as_the_part_it_lies_in(): void
    {
        $chapters = [['title' => 'Card', 'from_ms' => 0], ['title' => 'Rest', 'from_ms' => 2_000]];

        self::assertSame([0.5, 0.75], array_column(RetentionCurve::byChapter($chapters, 9_000, [0 => 2, 1 => 4]), 'seen'));
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
