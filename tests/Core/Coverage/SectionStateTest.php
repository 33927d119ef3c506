<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\SectionCoverage;
use OpenReel\Core\Coverage\SectionState;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class SectionStateTest extends TestCase
{
    public function test_nothing_waiting_and_kept(): void
    {
        $kept = self::take('k', Verdict::Kept);
        $waiting = self::take('w', Verdict::Undecided);
        $heard = new SectionCoverage([new UsedPart('k', Example::span(0, 48_000 * 4), ['a'])], [], false);
        $nothing = new SectionCoverage([], ['a'], false);

        self::assertSame(
            ['hollow', false, 'not recorded', 10_000],
            $this->told(SectionState::of($nothing, [], [], 10_000, null)),
        );
        self::assertSame(
            ['half', false, 'undecided', 10_000],
            $this->told(SectionState::of($nothing, [$waiting], [], 10_000, null)),
        );
        self::assertSame(
            ['filled', false, 'kept', 4_000],
            $this->told(SectionState::of($heard, [$kept, $waiting], ['k' => $kept], 10_000, null)),
        );
        self::assertSame('w', SectionState::of($heard, [$kept, $waiting], ['k' => $kept], 10_000, null)->waiting);
        self::assertSame('k', SectionState::of($nothing, [$kept], [], 10_000, null)->kept, 'kept while it is still listened to');
        self::assertSame(['filled', false, 'opening card', 3_000], $this->told(SectionState::ofCard('opening', 3_000)));
    }

    public function test_what_there_is_to_look_at_is_said(): void
    {
        $flagged = self::take('k', Verdict::Kept, isFlagged: true);
        $parts = [new UsedPart('k', Example::span(0, 48_000), ['a'])];

        self::assertSame(
            'kept, something to look at',
            SectionState::of(new SectionCoverage($parts, [], false), [$flagged], ['k' => $flagged], 1, null)->says,
        );
        self::assertSame(
            'kept, one line not recorded yet',
            SectionState::of(new SectionCoverage($parts, ['b'], false), [], [], 1, null)->says,
        );
        self::assertSame(
            'spoken in the take of another section, 2 lines not recorded yet',
            SectionState::of(new SectionCoverage($parts, ['b', 'c'], true), [], [], 1, null)->says,
        );
        $waiting = self::take('w', Verdict::Undecided, isFlagged: true);
        self::assertTrue(SectionState::of(new SectionCoverage([], ['a'], false), [$waiting], [], 1, null)->notched);
    }

    public function test_what_a_take_lacks_is_known_once_it_was_read(): void
    {
        $whole = self::take('k', Verdict::Kept);
        $reading = self::take('p', Verdict::Kept, state: TakeState::Ingesting);
        $heard = new SectionCoverage([new UsedPart('k', Example::span(0, 48_000), ['a'])], ['b'], false);
        $nothing = new SectionCoverage([], ['a', 'b'], false);

        self::assertSame(
            ['filled', false, 'kept, being read', 9_000],
            $this->told(SectionState::of($nothing, [$reading], [], 9_000, null)),
        );
        self::assertSame(
            ['filled', false, 'kept, being read', 1_000],
            $this->told(SectionState::of($heard, [$whole, $reading], ['k' => $whole], 9_000, null)),
            'a pickup that may speak the line',
        );
        self::assertSame('p', SectionState::of($heard, [$whole, $reading], ['k' => $whole], 9_000, null)->reading);
        $undecided = self::take('u', Verdict::Undecided, state: TakeState::Ingesting);
        self::assertSame(
            'kept, one line not recorded yet',
            SectionState::of($heard, [$whole, $undecided], ['k' => $whole], 9_000, null)->says,
            'what is not kept speaks nothing',
        );
    }

    public function test_a_tenth_off_the_target_is_as_meant(): void
    {
        $off = fn (int $estimate): ?int => SectionState::of(new SectionCoverage([], [], false), [], [], $estimate, 60_000)
            ->offTargetMs;

        self::assertSame([null, 7_000, null, -10_000], [$off(66_000), $off(67_000), $off(54_000), $off(50_000)]);
    }

    /** @return array{string, bool, string, int} */
    private function told(SectionState $state): array
    {
        return [$state->fill, $state->notched, $state->says, $state->lengthMs];
    }

    private static function take(
        string $id, Verdict $verdict, bool $isFlagged = false, TakeState $state = TakeState::Ready,
    ): TakeView {
        return new TakeView($id, 's', 1, Tick::of(1), $state, $verdict, flags: $isFlagged ? ['clipped'] : []);
    }
}
