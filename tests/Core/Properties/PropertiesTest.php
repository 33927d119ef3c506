<?php

declare(strict_types=1);

namespace Tests\Core\Properties;

use Eris\Generator\SequenceGenerator;
use Eris\Generators;
use Eris\TestTrait;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionLines;
use OpenReel\Core\Captions\CaptionSegmenter;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\CoverageSection;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Stretch;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Script\LineIdentity;
use OpenReel\Core\Script\LineMatch;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\RecordedTake;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeEdits;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

/** What holds for whatever there is, tried on a hundred made-up cases each; `ERIS_SEED=n bin/test core` tries others. */
final class PropertiesTest extends TestCase
{
    use TestTrait;

    public function test_a_tick_is_left_if_it_was_there_and_was_not_taken_away(): void
    {
        $this->forAll(self::pairs(), self::pairs())->then(function (array $some, array $away): void {
            $union = Spans::union(Spans::ofPairs($some));
            $left = Spans::minus($union, Spans::ofPairs($away));
            self::assertEqualsCanonicalizing(self::ticks($some), self::ticks(Spans::pairs($union)));
            self::assertEqualsCanonicalizing(
                array_values(array_diff(self::ticks($some), self::ticks($away))), self::ticks(Spans::pairs($left)),
            );
            self::assertEquals(Spans::union($left), $left, 'in order, apart from each other');
        });
    }

    public function test_a_trimmed_take_uses_nothing_beyond_its_trim_and_nothing_that_is_cut(): void
    {
        $this->forAll(self::pairs(), self::pairs(), self::pairs())->then(function (array $trim, array $cuts, array $retakes): void {
            $trim = Spans::union(Spans::ofPairs($trim));
            $ingest = new IngestResult(Tick::of(200), Span::between(Tick::of(5), Tick::of(190)), retakes: Spans::ofPairs($retakes));
            $edits = new TakeEdits(trim: $trim === [] ? null : $trim, cuts: Spans::ofPairs($cuts));
            $used = TakeView::of(new RecordedTake('t', 's', 1), $ingest, null, null, $edits)->used;
            $allowed = $trim === [] ? [Span::between(Tick::of(5), Tick::of(190))] : $trim;
            self::assertSame([], Spans::minus($used, $allowed));
            $inUse = self::ticks(Spans::pairs($used));
            self::assertSame([], array_intersect($inUse, self::ticks([...$cuts, ...$retakes])));
            self::assertSame(count($inUse), Spans::length($used)->count);
        });
    }

    public function test_every_line_is_spoken_once_or_missing_and_only_in_what_is_used(): void
    {
        $lines = fn (string $name): SequenceGenerator => Generators::seq(Generators::elements('a', 'b', 'c', 'd', 'e'));
        $this->forAll($lines('one'), $lines('two'), Generators::bool(), self::pairs())
            ->then(function (array $one, array $two, bool $isTwoKept, array $cuts): void {
                $takes = [
                    self::take('one', 1, array_values(array_unique($one)), true, $cuts),
                    self::take('two', 2, array_values(array_unique($two)), $isTwoKept, []),
                ];
                $script = ['a' => 'A', 'b' => 'B', 'c' => 'C', 'd' => 'D', 'e' => 'E'];
                $coverage = Coverage::of([new CoverageSection('s', $script)], $takes)->sections['s'];
                $spoken = array_merge([], ...array_map(fn ($part): array => $part->lines, $coverage->parts));
                self::assertSame([], array_intersect($spoken, $coverage->missing));
                self::assertSame([], array_diff($coverage->missing, array_keys($script)));
                $used = array_column(array_map(fn (TakeView $t): array => [$t->id, $t->used], $takes), 1, 0);
                foreach ($coverage->parts as $part) {
                    self::assertSame([], Spans::minus([$part->span], $used[$part->take]), 'only what is used');
                    self::assertTrue($part->take === 'one' || $isTwoKept, 'only what is kept');
                }
            });
    }

    public function test_each_frame_shows_a_moment_that_comes_on_that_frame(): void
    {
        $stretch = Generators::tuple(Generators::choose(1, 40), Generators::choose(0, 50_000), Generators::elements(1, 1, 2, 4, 8));
        $this->forAll(Generators::seq($stretch))->then(function (array $parts): void {
            $at = 0;
            $stretches = [];
            foreach ($parts === [] ? [[5, 0, 1]] : $parts as [$frames, $gap, $times]) {
                $at += $gap;
                $stretches[] = new Stretch($frames, Tick::of($at), 1_920 * $times);
                $at += $frames * 1_920 * $times;
            }
            $map = TimeMap::of($stretches);
            $last = -1;
            for ($frame = 0; $frame < $map->frames; $frame++) {
                $moment = $map->timeOf($frame);
                self::assertSame($frame, $map->frameOf($moment));
                self::assertGreaterThan($last, $moment->count);
                $last = $moment->count;
            }
            self::assertSame($map->frames, $map->frameOf(Tick::of($at + 1)), 'behind the last');
        });
    }

    public function test_lines_keep_their_identity_and_no_two_share_one(): void
    {
        $words = Generators::elements('The tide falls.', 'Row on.', 'Wait for it.', 'High water is at six.', 'So leave a margin.', 'Stop.');
        $this->forAll(Generators::seq($words), Generators::seq($words))->then(function (array $before, array $now): void {
            [$before, $now] = [array_values($before), array_values($now)];
            $known = array_map(
                fn (int $n, string $text): LineIdentity => new LineIdentity("l{$n}", 's', $text), array_keys($before), $before,
            );
            $ids = LineMatch::ids($known, [], $now);
            self::assertCount(count($now), $ids);
            $given = array_filter($ids, is_string(...));
            self::assertSame($given, array_unique($given));
            self::assertSame([], array_diff($given, array_column($known, 'id')));
            self::assertSame(array_column($known, 'id'), LineMatch::ids($known, [], $before), 'what did not change stays');
            $common = 0;
            foreach (array_count_values($now) as $text => $times) {
                $common += min($times, array_count_values($before)[$text] ?? 0);
            }
            self::assertGreaterThanOrEqual($common, count($given), 'the same words are found again');
        });
    }

    public function test_captions_say_every_word_in_order_in_rows_that_can_be_read(): void
    {
        $word = Generators::elements('tide', 'the', 'water,', 'falls.', 'At', 'Saltmarsh', '4.5', 'm', 'and', 'slowly', 'falls;', 'quay.');
        $this->forAll(Generators::seq($word), Generators::choose(150, 600))->then(function (array $texts, int $each): void {
            $words = [];
            foreach (array_values($texts) as $n => $text) {
                $words[] = new TimedWord(
                    $text, Tick::ofMilliseconds($n * $each), Tick::ofMilliseconds(($n + 1) * $each), 'a', $n,
                );
            }
            $captions = CaptionSegmenter::of($words, FrameRate::of(25));
            $said = implode(' ', array_map(fn (Caption $c): string => implode(' ', $c->rows), $captions));
            self::assertSame(implode(' ', $texts), $said);
            $end = -1;
            foreach ($captions as $caption) {
                self::assertLessThanOrEqual(2, count($caption->rows));
                self::assertLessThanOrEqual(CaptionLines::CHARACTERS, max(array_map(mb_strlen(...), $caption->rows)));
                self::assertGreaterThanOrEqual($end, $caption->from->count, 'none overlaps another');
                self::assertTrue($caption->from->isBefore($caption->until));
                $end = $caption->until->count;
            }
        });
    }

    /** @return SequenceGenerator<mixed> pairs of ticks below 120; some are empty */
    private static function pairs(): SequenceGenerator
    {
        return Generators::seq(Generators::map(
            fn (array $p): array => [$p[0], $p[0] + $p[1]], Generators::tuple(Generators::choose(0, 100), Generators::choose(0, 20)),
        ));
    }

    /**
     * @param  array<array{int, int}>  $pairs
     * @return list<int>
     */
    private static function ticks(array $pairs): array
    {
        $ticks = [];
        foreach ($pairs as [$from, $until]) {
            for ($tick = $from; $tick < $until; $tick++) {
                $ticks[$tick] = true;
            }
        }

        return array_keys($ticks);
    }

    /**
     * @param  list<string>  $lines
     * @param  array<array{int, int}>  $cuts  in hundredths of it
     */
    private static function take(string $id, int $number, array $lines, bool $isKept, array $cuts): TakeView
    {
        $used = Spans::minus([Example::span(0, 1_000)], Spans::ofPairs(array_map(
            fn (array $c): array => [10 * $c[0], 10 * $c[1]], $cuts,
        )));
        $starts = [];
        foreach ($lines as $n => $line) {
            $starts[$line] = Tick::of(1 + 150 * $n);
        }

        return Example::covering(
            $id, 's', $number, $isKept ? Verdict::Kept : Verdict::Undecided, $number, $used,
            array_map(fn (string $line): SpokenLine => new SpokenLine($line, strtoupper($line)), $lines), $starts,
        );
    }
}
