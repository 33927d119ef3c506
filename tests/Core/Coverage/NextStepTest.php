<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\FilmState;
use OpenReel\Core\Coverage\NextStep;
use OpenReel\Core\Coverage\SectionStanding;
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

    public function test_behind_each_section_comes_the_next_of_which_nothing_is_kept_round_to_those_before(): void
    {
        [$done, $card] = [self::section('a', 'filled'), self::section('c', 'filled', spoken: false)];
        [$open, $waiting, $empty] = [
            self::section('o', 'hollow'), self::section('w', 'half', 'take'), self::section('e', 'hollow', spoken: false),
        ];
        self::assertSame([], self::says([]));
        self::assertSame(['Finish', 'Finish'], self::says([$done, $card]));
        self::assertSame(['Finish'], self::says([$open]), 'it is the one that is done then');
        self::assertSame(
            ['Record section 3', 'Record section 3', 'Review section 5', 'Review section 5', 'Record section 3'],
            self::says([$done, $card, $open, $empty, $waiting]),
        );
        self::assertSame(['Record section 2', 'Record section 1'], self::says([$open, $open]));
        self::assertSame('o', NextStep::behindEach([$done, $open])[0]->section);
    }

    /**
     * @param  list<SectionStanding>  $sections
     * @return list<string>
     */
    private static function says(array $sections): array
    {
        return array_map(fn (NextStep $next): string => $next->says, NextStep::behindEach($sections));
    }

    private static function section(string $id, string $fill, ?string $waiting = null, bool $spoken = true): SectionStanding
    {
        return new SectionStanding($id, $fill, $waiting, $spoken);
    }
}
