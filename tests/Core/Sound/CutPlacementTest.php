<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\CutPlacement;
use OpenReel\Core\Sound\Levels;
use PHPUnit\Framework\TestCase;

final class CutPlacementTest extends TestCase
{
    public function test_words_keep_their_silence(): void
    {
        $cuts = new CutPlacement(null, Tick::zero());

        // Half of the silence, where that is enough and not too much.
        self::assertSame(1_200, $cuts->after(self::at(1000), self::at(1400))->milliseconds());
        self::assertSame(1_200, $cuts->before(self::at(1400), self::at(1000))->milliseconds());
        // At most 0.4 s behind and 0.3 s before.
        self::assertSame(1_400, $cuts->after(self::at(1000), self::at(5000))->milliseconds());
        self::assertSame(4_700, $cuts->before(self::at(5000), self::at(1000))->milliseconds());
        // Of a short silence as much as words need, and no more than two thirds.
        self::assertSame(1_120, $cuts->after(self::at(1000), self::at(1200))->milliseconds());
        self::assertSame(1_100, $cuts->before(self::at(1200), self::at(1000))->milliseconds());
        self::assertSame(1_020, $cuts->after(self::at(1000), self::at(1030))->milliseconds());
        self::assertSame(1_000, $cuts->after(self::at(1000), self::at(1000))->milliseconds());
        self::assertSame(1_100, CutPlacement::between(self::at(1000), self::at(1200))->milliseconds());
    }

    public function test_where_there_is_more_silence_it_goes_to_the_quietest_place(): void
    {
        $cuts = new CutPlacement(self::levels([100, 5, 100], [2000, 2050]), Tick::zero());

        self::assertEqualsWithDelta(2_025, $cuts->after(self::at(1800), self::at(2600))->milliseconds(), 30);
        self::assertEqualsWithDelta(2_025, $cuts->nearPrompter(self::at(1900))->milliseconds(), 30);
        self::assertSame(3_000, $cuts->nearPrompter(self::at(3000))->milliseconds(), 'as quiet everywhere: the nearest');
    }

    public function test_the_edge_of_a_word_goes_into_the_silence_beside_it_and_not_into_another_word(): void
    {
        // Quiet from 2.0 to 2.1 s, in a voice that begins half a second into the take.
        $cuts = new CutPlacement(self::levels([1000, 1, 1000], [2000, 2100]), self::at(500));

        self::assertEqualsWithDelta(2_550, $cuts->besideWord(self::at(2500))->milliseconds(), 20);
        self::assertSame(1_500, $cuts->besideWord(self::at(1500))->milliseconds(), 'there are only words');
        self::assertSame(100, $cuts->besideWord(self::at(100))->milliseconds(), 'there is no voice');

        $before = [self::span(1000, 1300)];
        $chosen = [self::span(1000, 1300), self::span(1290, 1400), self::span(1500, 1520)];
        self::assertEquals([self::span(1000, 1400)], $cuts->besideWords($chosen, $before), 'joined, and what is no word left out');
    }

    public function test_of_a_long_pause_the_middle_goes(): void
    {
        self::assertEquals(self::span(1250, 1750), CutPlacement::middleOf(self::span(1000, 2000), self::at(500)));
        self::assertNull(CutPlacement::middleOf(self::span(1000, 1500), self::at(500)));
    }

    /**
     * @param  array{int, int, int}  $loud  amplitude before, between and behind two moments
     * @param  array{int, int}  $moments  milliseconds
     */
    private static function levels(array $loud, array $moments): Levels
    {
        $windows = [];
        for ($ms = 0; $ms < 4000; $ms += 10) {
            $amplitude = $loud[$ms < $moments[0] ? 0 : ($ms < $moments[1] ? 1 : 2)];
            $windows[] = 20 * log10($amplitude / 32_768);
        }

        return new Levels($windows, [], 0, count($windows) * Levels::WINDOW);
    }

    private static function at(int $milliseconds): Tick
    {
        return Tick::ofMilliseconds($milliseconds);
    }

    private static function span(int $from, int $until): Span
    {
        return Span::between(self::at($from), self::at($until));
    }
}
