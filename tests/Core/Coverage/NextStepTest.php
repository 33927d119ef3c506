<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\FilmState;
use OpenReel\Core\Coverage\NextStep;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NextStepTest extends TestCase
{
    public function test_the_first_section_of_which_nothing_is_kept_comes_first(): void
    {
        $done = self::section('a', 'filled');
        self::assertSame(
            ['room' => 'record', 'section' => 'b', 'says' => 'Record section 2'],
            NextStep::of([$done, self::section('b', 'hollow'), self::section('c', 'half', 'take')], FilmState::None)->toArray(),
        );
        self::assertSame(
            ['room' => 'review', 'section' => 'b', 'says' => 'Review section 2'],
            NextStep::of([$done, self::section('b', 'half', 'take')], FilmState::UpToDate)->toArray(),
        );
    }

    public function test_where_nothing_is_to_be_said_nothing_is_recorded(): void
    {
        $empty = self::section('a', 'hollow', spoken: false);
        self::assertSame('Write the script', NextStep::of([], FilmState::None)->says);
        self::assertSame('Write the script', NextStep::of([$empty], FilmState::None)->says);
        self::assertSame('Record section 2', NextStep::of([$empty, self::section('b', 'hollow')], FilmState::None)->says);
        self::assertSame('Finish', NextStep::of([$empty, self::section('b', 'filled')], FilmState::None)->says);
    }

    #[TestWith([FilmState::None, 'finish', 'Finish'])]
    #[TestWith([FilmState::Making, 'handover', 'Hand over'])]
    #[TestWith([FilmState::OutOfDate, 'handover', 'Export again'])]
    #[TestWith([FilmState::UpToDate, 'handover', 'Hand over'])]
    public function test_then_comes_the_film(FilmState $film, string $room, string $says): void
    {
        $next = NextStep::of([self::section('a', 'filled')], $film);
        self::assertSame([$room, null, $says], [$next->room, $next->section, $next->says]);
    }

    /** @return array{id: string, fill: string, waiting: string|null, spoken: bool} */
    private static function section(string $id, string $fill, ?string $waiting = null, bool $spoken = true): array
    {
        return ['id' => $id, 'fill' => $fill, 'waiting' => $waiting, 'spoken' => $spoken];
    }
}
