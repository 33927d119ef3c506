<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Kernel\FrameRate;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class AssemblyTest extends TestCase
{
    public function test_sections_become_whole_frames_one_after_another(): void
    {
        // At 25 fps a frame is 1920 ticks: 10 frames exactly, 10 frames and one tick, one tick.
        $assembly = Example::assembly([['One', [0, 19_200]], ['Two', [480, 480 + 19_201]], ['Three', [5, 6]]]);

        self::assertSame([10, 11, 1], array_map(fn (Segment $s): int => $s->frames, $assembly->segments));
        self::assertSame([0, 10, 21], array_map(fn (Segment $s): int => $s->startFrame, $assembly->segments));
        self::assertSame(22, $assembly->frames());
        self::assertSame(22 * 1920, $assembly->length()->count);
    }

    public function test_sections_without_a_kept_take_are_named_and_left_out(): void
    {
        $assembly = Example::assembly([['One', [0, 4800]], ['Two', null], ['Three', [0, 4800]]]);

        self::assertSame([1, 3], array_map(fn (Segment $s): int => $s->position, $assembly->segments));
        self::assertSame(['Two'], array_map(fn ($s): string => $s->heading, $assembly->missing));
        self::assertSame($assembly->segments[0]->frames, $assembly->segments[1]->startFrame);
    }

    public function test_an_empty_lesson_has_no_frames(): void
    {
        $assembly = Example::assembly([]);

        self::assertSame(0, $assembly->frames());
        self::assertSame([], $assembly->chapters());
    }

    public function test_chapters_follow_each_other_without_gaps(): void
    {
        $chapters = Example::assembly([['One', [0, 48_000]], [' ', [0, 24_000]], ['Three', [0, 1]]])->chapters();

        self::assertSame(['One', 'Section 2', 'Three'], array_map(fn (Chapter $c): string => $c->title, $chapters));
        self::assertSame([0, 1000, 1520], array_map(fn (Chapter $c): int => $c->from->milliseconds(), $chapters));
        self::assertSame([1000, 1520, 1560], array_map(fn (Chapter $c): int => $c->until->milliseconds(), $chapters));
    }

    #[TestWith([24])]
    #[TestWith([25])]
    #[TestWith([30])]
    #[TestWith([50])]
    #[TestWith([60])]
    public function test_forty_sections_add_up_exactly_at_every_rate(int $fps): void
    {
        $sections = array_map(fn (int $i): array => ["Section {$i}", [$i * 37, $i * 37 + 100_003 + $i * 7_919]], range(1, 40));
        $assembly = Example::assembly($sections, $fps);
        $chapters = $assembly->chapters();

        $sum = 0;
        foreach ($assembly->segments as $i => $segment) {
            self::assertSame($sum, $segment->startFrame);
            self::assertSame($sum * FrameRate::of($fps)->ticksPerFrame(), $chapters[$i]->from->count);
            self::assertGreaterThanOrEqual(
                $segment->passage?->span->length()->count ?? 0,
                $segment->frames * FrameRate::of($fps)->ticksPerFrame(),
            );
            $sum += $segment->frames;
        }
        self::assertSame($sum, $assembly->frames());
        self::assertSame($assembly->length()->count, $chapters[39]->until->count);
    }
}
