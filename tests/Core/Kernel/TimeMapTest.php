<?php

declare(strict_types=1);

namespace Tests\Core\Kernel;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Stretch;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TimeMapTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> the examples that the browser's map is tested with as well */
    public static function examples(): iterable
    {
        foreach (json_decode((string) file_get_contents(__DIR__.'/../../examples/time-map.json'), true) as $example) {
            yield $example['name'] => [$example];
        }
    }

    /**
     * @param  array{stretches: non-empty-list<array{frames: int, in_ticks: int, step: int}>, times: list<array{int, int}>,
     *     frames: list<array{int, int}>}  $example
     */
    #[DataProvider('examples')]
    public function test_frames_and_moments_lead_to_each_other(array $example): void
    {
        $map = TimeMap::of(
            array_map(
                fn (array $s): Stretch => new Stretch($s['frames'], Tick::of($s['in_ticks']), $s['step']),
                $example['stretches'],
            ),
        );

        self::assertSame(
            $example['times'],
            array_map(fn (array $t): array => [$t[0], $map->timeOf($t[0])->count], $example['times']),
        );
        self::assertSame(
            $example['frames'],
            array_map(fn (array $f): array => [$f[0], $map->frameOf(Tick::of($f[0]))], $example['frames']),
        );
        self::assertSame($example['stretches'], $map->toArray());
    }

    public function test_every_frame_comes_back_from_the_moment_it_shows_at_every_rate(): void
    {
        foreach (FrameRate::OFFERED as $fps) {
            $map = TimeMap::plain(Tick::of(12_345), 500, FrameRate::of($fps));
            for ($frame = 0; $frame <= 500; $frame++) {
                self::assertSame($frame, $map->frameOf($map->timeOf($frame)));
            }
        }
    }
}
