<?php

declare(strict_types=1);

namespace Tests\Core\Coverage;

use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Coverage\DraftOrder;
use OpenReel\Core\Coverage\FilmState;
use OpenReel\Core\Coverage\NextStep;
use OpenReel\Core\Coverage\SectionStanding;
use OpenReel\Core\Coverage\SectionState;
use OpenReel\Core\Coverage\Verdicts;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Pace;
use OpenReel\Core\Script\PaceSample;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Many takes of few lines, in all states: who speaks what, and what is to be done next. */
final class RecordedCoverageTest extends TestCase
{
    public function test_lines_are_spoken_by_whom_they_were(): void
    {
        $made = new MadeUp(24);
        $answers = [];
        foreach (range(1, 120) as $round) {
            $lines = array_map(fn (int $n): string => "l{$n}", range(0, $made->between(0, 6)));
            $texts = array_combine($lines, array_map(fn (): string => $made->sentence(3, false), $lines));
            $parted = array_chunk($texts, 3, true);
            $sections = array_map(
                fn (array $some, int $s): CoverageSection => new CoverageSection("s{$s}", $some, $made->oneIn(9)), $parted,
                array_keys($parted),
            );
            $takes = [];
            foreach (range(1, $made->between(1, 6)) as $number) {
                $takes[] = $this->take($made, $texts, $number);
            }
            $choices = array_filter(
                array_map(fn (): string => 't'.$made->between(1, 7), array_filter($texts, fn (): bool => $made->oneIn(4))),
            );
            $coverage = Coverage::of($sections, $takes, $choices);
            $answers["lines {$round}"] = $coverage->lines;
            foreach ($coverage->sections as $id => $section) {
                $own = array_values(array_filter($takes, fn (TakeView $t): bool => $t->section === $id));
                $ids = array_map(strval(...), array_keys($parted[(int) substr((string) $id, 1)]));
                $answers["section {$round}, {$id}"] = [
                    $section, $section->length(), DraftOrder::of($ids, $section),
                    SectionState::of(
                        $section, $own, $made->oneIn(2) ? array_column($takes, null, 'id') : [], $made->between(0, 2_000),
                        $made->one([null, 10, 20]),
                    )->toArray(),
                ];
            }
            $answers["verdicts {$round}"] = array_map(
                fn (Verdict $verdict): array => Verdicts::after($takes, "t{$made->between(1, count($takes))}", $verdict), Verdict::cases(),
            );
            $standings = array_map(fn (int $n): SectionStanding => new SectionStanding(
                "s{$n}", $made->one(['empty', 'partial', 'filled', 'waiting']), $made->one([null, 't1']), ! $made->oneIn(4),
            ), range(0, $made->between(0, 3)));
            $answers["next {$round}"] = [
                array_map(fn (FilmState $film): NextStep => NextStep::of($standings, $film), FilmState::cases()),
                NextStep::behindEach($standings),
            ];
        }
        foreach (range(1, 12) as $round) {
            $samples = array_map(
                fn (): PaceSample => new PaceSample($made->between(0, 20_000), $made->between(0, 40_000)),
                range(1, $made->between(1, 7)),
            );
            $answers["pace {$round}"] = [Pace::learn($samples), Pace::learn($samples)->isLearned()];
        }
        Recorded::same('choices', $answers);
    }

    /** @param  non-empty-array<string, string>  $texts */
    private function take(MadeUp $made, array $texts, int $number): TakeView
    {
        $speaks = $made->oneIn(3) ? $texts : array_filter($texts, fn (): bool => ! $made->oneIn(3));
        $from = $made->between(0, 200);
        $middle = $from + $made->between(1, 400);
        $used = $made->oneIn(9) ? [] : [Span::between(Tick::of($from), Tick::of($middle))];
        if ($used !== [] && $made->oneIn(3)) {
            $used[] = Span::between(Tick::of($middle + 20), Tick::of($middle + $made->between(21, 400)));
        }
        $cuts = [];
        $at = $from;
        foreach (array_keys($speaks) as $line) {
            $cuts[$line] = Tick::of($at);
            $at += $made->between(0, 200);
        }

        return Example::covering(
            "t{$number}", 's'.$made->between(0, 2), $number, $made->one([Verdict::Kept, Verdict::Kept, ...Verdict::cases()]),
            $made->between(0, 4), $used,
            array_map(
                fn (string $id): SpokenLine => new SpokenLine($id, $made->oneIn(5) ? 'Other words.' : $texts[$id]), array_keys($speaks),
            ),
            $made->oneIn(5) ? [] : $cuts, array_values(array_filter(array_keys($speaks), fn (): bool => $made->oneIn(5))),
            $made->one([TakeState::Ready, TakeState::Ready, ...TakeState::cases()]),
        );
    }
}
