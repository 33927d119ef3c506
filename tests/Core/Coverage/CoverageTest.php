<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Coverage\Verdicts;
use OpenReel\Core\Coverage\Why;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class CoverageTest extends TestCase
{
    public function test_a_kept_take_speaks_its_section_whole(): void
    {
        $coverage = Coverage::of([$this->section('s', 'a b c')], [$this->take(1, 'a b c')]);

        self::assertSame([['take1', 50, 1000, ['a', 'b', 'c']]], $this->parts($coverage, 's'));
        self::assertSame(Why::OnlyOne, $coverage->lines['b']->why);
        self::assertSame([200, 300], [$coverage->lines['b']->span?->from->count, $coverage->lines['b']->span?->until->count]);
        self::assertFalse($coverage->sections['s']->isElsewhere);
    }

    public function test_what_is_not_kept_or_cannot_be_played_is_not_heard(): void
    {
        $takes = [
            $this->take(1, 'a', Verdict::Undecided),
            $this->take(2, 'a', Verdict::Discarded),
            $this->take(3, 'a', usable: false),
        ];
        $coverage = Coverage::of([$this->section('s', 'a')], $takes);

        self::assertSame([], $coverage->sections['s']->parts);
        self::assertSame(['a'], $coverage->sections['s']->missing);
    }

    public function test_of_several_kept_takes_the_one_kept_last_speaks_the_lines_it_has(): void
    {
        // The second take is a pickup of b; it was kept after the first.
        $coverage = Coverage::of(
            [$this->section('s', 'a b c')],
            [$this->take(1, 'a b c', order: 1), $this->take(2, 'b', order: 2)],
        );

        self::assertSame(
            [['take1', 50, 200, ['a']], ['take2', 50, 1000, ['b']], ['take1', 300, 1000, ['c']]],
            $this->parts($coverage, 's'),
        );
        self::assertSame([Why::KeptLast, ['take1']], [$coverage->lines['b']->why, $coverage->lines['b']->others]);
        self::assertSame([Why::OnlyOne, []], [$coverage->lines['a']->why, $coverage->lines['a']->others]);
    }

    public function test_an_older_take_kept_again_is_heard_and_of_old_data_the_later_number(): void
    {
        $again = Coverage::of([$this->section('s', 'a')], [$this->take(1, 'a', order: 9), $this->take(2, 'a', order: 3)]);
        self::assertSame('take1', $again->lines['a']->take);
        $old = Coverage::of([$this->section('s', 'a')], [$this->take(3, 'a'), $this->take(1, 'a')]);
        self::assertSame('take3', $old->lines['a']->take);
    }

    public function test_a_line_that_the_newest_take_does_not_say_well_is_heard_in_an_older_one(): void
    {
        $coverage = Coverage::of(
            [$this->section('s', 'a b c')],
            [$this->take(1, 'a b c', order: 1), $this->take(2, 'a b c', order: 2, flawed: 'b')],
        );

        self::assertSame(['take2', 'take1', 'take2'], array_column($coverage->lines, 'take'));
        self::assertSame([Why::Cleaner, ['take2']], [$coverage->lines['b']->why, $coverage->lines['b']->others]);
    }

    public function test_a_flaw_that_all_takes_share_changes_nothing(): void
    {
        $coverage = Coverage::of(
            [$this->section('s', 'a b')],
            [$this->take(1, 'a b', order: 1, flawed: 'a b'), $this->take(2, 'a b', order: 2, flawed: 'a b')],
        );

        self::assertSame(['take2', 'take2'], array_column($coverage->lines, 'take'));
    }

    public function test_among_older_takes_one_is_heard_for_lines_that_it_can_hold_together(): void
    {
        // The third take is spoiled. Either of the others may speak c; the second does not speak b.
        $coverage = Coverage::of(
            [$this->section('s', 'a b c')],
            [
                $this->take(1, 'a b c', order: 1),
                $this->take(2, 'c', order: 2),
                $this->take(3, 'a b c', order: 3, flawed: 'a b c'),
            ],
        );

        self::assertSame(['take1', 'take1', 'take1'], array_column($coverage->lines, 'take'));
    }

    public function test_a_take_that_is_kept_for_a_chosen_line_does_not_speak_others_for_being_cleaner(): void
    {
        $takes = [$this->take(1, 'a b', order: 0), $this->take(2, 'a b', order: 3, flawed: 'a b')];

        self::assertSame(
            ['take1', 'take2'],
            array_column(Coverage::of([$this->section('s', 'a b')], $takes, ['a' => 'take1'])->lines, 'take'),
        );
    }

    public function test_a_pickup_is_heard_wherever_it_stands_and_a_chosen_take_even_when_it_is_flawed(): void
    {
        $takes = [$this->take(1, 'a b c', order: 1), $this->take(2, 'b', order: 2, flawed: 'b')];
        $sections = [$this->section('s', 'a b c')];

        self::assertSame('take1', Coverage::of($sections, $takes)->lines['b']->take);
        self::assertSame('take2', Coverage::of($sections, $takes, ['b' => 'take2'])->lines['b']->take);
        $takes[1] = $this->take(2, 'b', order: 2);
        self::assertSame('take2', Coverage::of($sections, $takes)->lines['b']->take);
    }

    public function test_a_choice_for_a_line_wins_and_one_that_cannot_be_counts_for_nothing(): void
    {
        $takes = [$this->take(1, 'a b', order: 1), $this->take(2, 'a b', order: 2)];
        $coverage = Coverage::of([$this->section('s', 'a b')], $takes, ['a' => 'take1', 'b' => 'gone']);

        self::assertSame([Why::Chosen, 'take1'], [$coverage->lines['a']->why, $coverage->lines['a']->take]);
        self::assertSame([Why::KeptLast, 'take2'], [$coverage->lines['b']->why, $coverage->lines['b']->take]);
        self::assertSame([['take1', 50, 200, ['a']], ['take2', 200, 1000, ['b']]], $this->parts($coverage, 's'));
    }

    public function test_a_section_split_off_is_heard_in_its_own_part_of_the_old_take(): void
    {
        $coverage = Coverage::of([$this->section('s', 'a'), $this->section('new', 'b c')], [$this->take(1, 'a b c')]);

        self::assertSame([['take1', 50, 200, ['a']]], $this->parts($coverage, 's'));
        self::assertSame([['take1', 200, 1000, ['b', 'c']]], $this->parts($coverage, 'new'));
        self::assertSame([false, true], [$coverage->sections['s']->isElsewhere, $coverage->sections['new']->isElsewhere]);
    }

    public function test_once_it_has_a_take_of_its_own_nothing_is_heard_twice(): void
    {
        $own = $this->take(1, 'b c', section: 'new', order: 2, id: 'own');
        $coverage = Coverage::of(
            [$this->section('s', 'a'), $this->section('new', 'b c')],
            [$this->take(1, 'a b c', order: 1), $own],
        );

        self::assertSame([['take1', 50, 200, ['a']]], $this->parts($coverage, 's'));
        self::assertSame([['own', 50, 1000, ['b', 'c']]], $this->parts($coverage, 'new'));
    }

    public function test_a_line_written_since_is_missing_and_cuts_nothing(): void
    {
        $coverage = Coverage::of([$this->section('s', 'a new b')], [$this->take(1, 'a b')]);

        self::assertSame([['take1', 50, 1000, ['a', 'b']]], $this->parts($coverage, 's'));
        self::assertSame(['new'], $coverage->sections['s']->missing);
    }

    public function test_words_that_are_gone_from_the_script_stay_with_the_line_they_follow(): void
    {
        $whole = Coverage::of([$this->section('s', 'b d')], [$this->take(1, 'a b c d e')]);
        self::assertSame([['take1', 50, 1000, ['b', 'd']]], $this->parts($whole, 's'));
        // Where something else is heard, the take is cut behind them.
        $cut = Coverage::of([$this->section('s', 'a d')], [$this->take(1, 'a b c d', order: 1), $this->take(2, 'd', order: 2)]);
        self::assertSame([['take1', 50, 400, ['a']], ['take2', 50, 1000, ['d']]], $this->parts($cut, 's'));
    }

    public function test_the_film_follows_the_script_when_lines_change_their_order(): void
    {
        $coverage = Coverage::of([$this->section('s', 'b a')], [$this->take(1, 'a b')]);

        self::assertSame([['take1', 200, 1000, ['b']], ['take1', 50, 200, ['a']]], $this->parts($coverage, 's'));
    }

    public function test_a_take_whose_lines_are_not_known_or_all_gone_is_heard_whole(): void
    {
        self::assertSame(
            [['take1', 50, 1000, []]],
            $this->parts(Coverage::of([$this->section('s', '')], [$this->take(1, '')]), 's'),
        );
        self::assertSame(
            [['take2', 50, 1000, []]],
            $this->parts(Coverage::of([$this->section('s', 'new')], [$this->take(1, 'x'), $this->take(2, 'y')]), 's'),
        );
    }

    public function test_lines_between_which_nobody_knows_where_to_cut_stay_together(): void
    {
        $take = Example::covering(
            'old',
            's',
            1,
            Verdict::Kept,
            0,
            [Example::span(0, 900)],
            [new SpokenLine('a', 'a'), new SpokenLine('b', 'b')],
        );
        $coverage = Coverage::of([$this->section('s', 'a b')], [$take]);

        self::assertSame([['old', 0, 900, ['a', 'b']]], $this->parts($coverage, 's'));
    }

    public function test_what_is_trimmed_away_is_not_spoken(): void
    {
        $coverage = Coverage::of([$this->section('s', 'a b c')], [$this->take(1, 'a b c', used: [[50, 250]])]);

        self::assertSame([['take1', 50, 250, ['a', 'b']]], $this->parts($coverage, 's'));
        self::assertSame(['c'], $coverage->sections['s']->missing);
    }

    public function test_a_cut_inside_a_take_makes_two_passages_of_it(): void
    {
        $coverage = Coverage::of([$this->section('s', 'a b c')], [$this->take(1, 'a b c', used: [[50, 150], [220, 1000]])]);

        self::assertSame([['take1', 50, 150, ['a']], ['take1', 220, 1000, ['b', 'c']]], $this->parts($coverage, 's'));
    }

    public function test_other_words_are_told_with_the_take_that_says_them(): void
    {
        $section = new CoverageSection('s', ['a' => 'Find the SECOND high water!', 'b' => 'read the height', 'c' => 'New words.']);
        $kept = Example::covering(
            't',
            's',
            4,
            Verdict::Kept,
            1,
            [Example::span(0, 900)],
            [new SpokenLine('a', 'Find the first high water.'), new SpokenLine('b', 'Read the height.')],
        );
        $open = Example::covering(
            'u',
            's',
            5,
            Verdict::Undecided,
            0,
            [Example::span(0, 900)],
            [new SpokenLine('a', 'Whatever.'), new SpokenLine('c', 'Old words.')],
        );
        $coverage = Coverage::of([$section], [$kept, $open]);

        self::assertSame(['Find the first high water.', 4], [$coverage->lines['a']->was, $coverage->lines['a']->wasTake]);
        self::assertNull($coverage->lines['b']->was);
        self::assertSame(['Old words.', 5], [$coverage->lines['c']->was, $coverage->lines['c']->wasTake]);
    }

    public function test_keeping_a_take_returns_only_those_of_which_nothing_would_be_heard(): void
    {
        $takes = [
            $this->take(1, 'a b'),
            $this->take(2, 'b c'),
            $this->take(3, 'a b', Verdict::Undecided),
            $this->take(4, 'b', Verdict::Discarded),
        ];

        self::assertSame(
            ['take1' => Verdict::Undecided, 'take3' => Verdict::Kept],
            Verdicts::after($takes, 'take3', Verdict::Kept),
        );
        self::assertSame(
            ['take4' => Verdict::Kept],
            Verdicts::after($takes, 'take4', Verdict::Kept),
            'a pickup leaves the rest of both',
        );
        self::assertSame(['take1' => Verdict::Discarded], Verdicts::after($takes, 'take1', Verdict::Discarded));
        self::assertSame([], Verdicts::after($takes, 'take2', Verdict::Kept));
        $unknown = [$this->take(1, ''), $this->take(2, '', Verdict::Undecided), $this->take(3, '', section: 'other')];
        self::assertSame(
            ['take1' => Verdict::Undecided, 'take2' => Verdict::Kept],
            Verdicts::after($unknown, 'take2', Verdict::Kept),
        );
    }

    private function section(string $id, string $lines): CoverageSection
    {
        $ids = array_filter(explode(' ', $lines), fn (string $l): bool => $l !== '');

        return new CoverageSection($id, array_combine($ids, $ids));
    }

    /**
     * A take used from 50 to 1000; its second line begins at 200, the third at 300 and so on.
     *
     * @param  list<array{int, int}>  $used
     */
    private function take(
        int $number,
        string $lines,
        Verdict $verdict = Verdict::Kept,
        bool $usable = true,
        int $order = 0,
        string $section = 's',
        ?string $id = null,
        array $used = [[50, 1000]],
        string $flawed = '',
    ): TakeView {
        $spoken = $cuts = [];
        foreach (array_filter(explode(' ', $lines), fn (string $l): bool => $l !== '') as $i => $line) {
            $spoken[] = new SpokenLine($line, $line);
            $cuts[$line] = Tick::of(100 * ($i + 1));
        }
        $spans = array_map(fn (array $u) => Example::span(...$u), $used);

        return Example::covering(
            $id ?? "take{$number}",
            $section,
            $number,
            $verdict,
            $order,
            $spans,
            $spoken,
            $cuts,
            explode(' ', $flawed),
            $usable ? TakeState::Ready : TakeState::Ingesting,
        );
    }

    /** @return list<array{string, int, int, list<string>}> */
    private function parts(Coverage $coverage, string $section): array
    {
        return array_map(
            fn (UsedPart $p): array => [$p->take, $p->span->from->count, $p->span->until->count, $p->lines],
            $coverage->sections[$section]->parts,
        );
    }
}
