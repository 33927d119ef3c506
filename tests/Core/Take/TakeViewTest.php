<?php

declare(strict_types=1);

namespace Tests\Core\Take;

use OpenReel\Core\Annotation\Box;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Take\AlignmentResult;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\AttemptKind;
use OpenReel\Core\Take\Erasure;
use OpenReel\Core\Take\FormerTake;
use OpenReel\Core\Take\IngestResult;
use OpenReel\Core\Take\LineAttempt;
use OpenReel\Core\Take\LineTimings;
use OpenReel\Core\Take\RecordedTake;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeEdits;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Take\WordAnchor;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

/** A take of 10,000 ticks with three lines: by the prompter they begin at 1,000, 4,000 and 7,000. */
final class TakeViewTest extends TestCase
{
    public function test_before_it_is_processed_nothing_of_it_can_be_used(): void
    {
        $view = TakeView::of($this->take(TakeState::Ingesting), null, null, null, new TakeEdits(Verdict::Kept));

        self::assertSame([[], false, false, Verdict::Kept], [$view->used, $view->isUsable(), $view->isKept(), $view->verdict]);
        self::assertFalse($view->isWaiting());
        self::assertSame(['a', 'b', 'c'], array_column($view->lines, 'id'));
    }

    public function test_while_nobody_listened_the_prompters_times_count(): void
    {
        $view = TakeView::of($this->take(), $this->ingest(), null, null, new TakeEdits());

        self::assertSame([[500, 9_500]], Spans::pairs($view->used));
        self::assertSame([1_000, 4_000, 7_000], $this->starts($view));
        self::assertSame(['a', 'b', 'c'], array_column($view->lines, 'id'));
        self::assertTrue($view->isWaiting());
    }

    public function test_without_speech_all_of_it_is_used(): void
    {
        $view = TakeView::of($this->take(), new IngestResult(Tick::of(10_000)), null, null, new TakeEdits());

        self::assertSame([[0, 10_000]], Spans::pairs($view->used));
    }

    public function test_what_was_heard_counts_as_soon_as_it_is_sure(): void
    {
        $view = TakeView::of($this->take(), $this->ingest(), $this->heard(), null, new TakeEdits());

        self::assertSame([[600, 4_200], [5_200, 8_000]], Spans::pairs($view->used), 'without the false start');
        self::assertSame([700, 5_300], $this->starts($view));
        self::assertSame(['a', 'c'], array_column($view->lines, 'id'));
        self::assertSame(['c' => true], $view->flawed);
        self::assertSame(['lines-missing'], $view->flags);
    }

    #[TestWith([AlignmentStatus::Unsure])]
    #[TestWith([AlignmentStatus::Nothing])]
    #[TestWith([AlignmentStatus::Failed])]
    public function test_what_is_not_sure_falls_back_to_the_prompters_times(AlignmentStatus $status): void
    {
        $plain = TakeView::of($this->take(), $this->ingest(), null, null, new TakeEdits());
        $view = TakeView::of($this->take(), $this->ingest(), $this->heard($status), null, new TakeEdits());

        self::assertEquals([$plain->used, $plain->timings, $plain->lines], [$view->used, $view->timings, $view->lines]);
        self::assertSame([[], []], [$view->flawed, $view->flags]);
    }

    public function test_what_the_presenter_decides_stands_over_what_was_found(): void
    {
        $edits = new TakeEdits(trim: [$this->span(0, 9_000)], cuts: [$this->span(100, 200), $this->span(8_500, 9_900)]);
        $view = TakeView::of($this->take(), $this->ingest(), $this->heard(), null, $edits);

        self::assertSame([[0, 100], [200, 4_200], [5_200, 8_500]], Spans::pairs($view->used));
        self::assertSame([[0, 8_500]], Spans::pairs([$view->extent()]));
    }

    public function test_a_take_of_which_nothing_is_left_can_be_read_and_is_not_heard(): void
    {
        $edits = new TakeEdits(Verdict::Kept, cuts: [$this->span(0, 10_000)]);
        $view = TakeView::of($this->take(), $this->ingest(), null, null, $edits);

        self::assertSame([[], false], [$view->used, $view->isKept()]);
        self::assertSame([[0, 10_000]], Spans::pairs([$view->extent()]));
    }

    public function test_restarts_are_never_used_and_other_edits_do_not_bring_them_back(): void
    {
        $ingest = $this->ingest(retakes: [$this->span(1_000, 2_000)]);
        $view = TakeView::of($this->take(), $ingest, null, null, new TakeEdits(trim: [$this->span(800, 3_000)]));

        self::assertSame([[800, 1_000], [2_000, 3_000]], Spans::pairs($view->used));
    }

    public function test_what_was_drawn_behind_the_last_word_is_seen(): void
    {
        $box = new TakeAnnotation(new Box(0.1, 0.1, 0.2, 0.2, '0B5D66'), $this->span(8_100, 9_400));
        foreach ([[[$box], []], [[], [new Erasure('screen', Tick::of(9_000))]]] as [$annotations, $erasures]) {
            $ingest = $this->ingest(annotations: $annotations, erasures: $erasures);
            $view = TakeView::of($this->take(), $ingest, $this->heard(), null, new TakeEdits());
            self::assertSame([[600, 4_200], [5_200, 9_500]], Spans::pairs($view->used));
        }
    }

    public function test_long_pauses_keep_silence_at_both_ends_unless_the_script_asks_for_them(): void
    {
        $pauses = [$this->span(48_000, 96_000), $this->span(200_000, 233_600)];
        $heard = new AlignmentResult(AlignmentStatus::Sure, pauses: $pauses);
        $out = fn (?AlignmentResult $a, int $longest, int $asked = 0): array => Spans::pairs(
            TakeView::tightened($a, $longest, $asked),
        );

        self::assertSame([[64_800, 79_200]], $out($heard, 700), '350 ms stay on either side; just as long is not too long');
        self::assertSame([], $out($heard, 0));
        self::assertSame([], $out($heard, 700, 500));
        self::assertSame([], $out(null, 700));
        self::assertSame([], $out(new AlignmentResult(AlignmentStatus::Unsure, pauses: $pauses), 700));
    }

    public function test_what_spoils_a_take_flaws_all_of_its_lines_until_it_is_mended(): void
    {
        $flawed = fn (string $flag, ?Cleaning $own = null): array => array_keys(TakeView::of(
            $this->take(), $this->ingest(flags: [$flag]), null, null,
            new TakeEdits(cleaning: $own, usualCleaning: new Cleaning(NoiseReduction::Strong, hum: true)),
        )->flawed);
        $all = ['a', 'b', 'c'];

        foreach (['silent', 'very-quiet', 'clipped', 'noisy', 'mains-hum', 'telephone-quality'] as $flag) {
            self::assertSame($all, $flawed($flag), $flag);
        }
        self::assertSame([], $flawed('no-sound'));
        self::assertSame([], $flawed('noisy', new Cleaning(NoiseReduction::Light)));
        self::assertSame($all, $flawed('noisy', new Cleaning(NoiseReduction::Off, hum: true)));
        self::assertSame([], $flawed('mains-hum', new Cleaning(NoiseReduction::Off, hum: true)));
        self::assertSame($all, $flawed('clipped', new Cleaning(NoiseReduction::Light, hum: true)));
    }

    public function test_flags_of_all_that_was_found_are_told_once(): void
    {
        $view = TakeView::of(
            $this->take(), $this->ingest(flags: ['noisy']), $this->heard(), new AnalysisResult(flags: ['mains-hum', 'noisy']),
            new TakeEdits(),
        );

        self::assertSame(['noisy', 'mains-hum', 'lines-missing'], $view->flags);
        self::assertTrue($view->needsAttention());
    }

    public function test_of_a_kept_take_coverage_says_which_lines_are_missing(): void
    {
        $of = fn (Verdict $verdict): TakeView => TakeView::of(
            $this->take(), $this->ingest(), $this->heard(), null, new TakeEdits($verdict),
        );

        self::assertTrue($of(Verdict::Undecided)->needsAttention());
        self::assertFalse($of(Verdict::Kept)->needsAttention());
    }

    public function test_its_voice_is_cleaned_as_was_chosen_for_it_or_else_for_its_lesson(): void
    {
        $voice = new RecordedTrack(TrackKind::Microphone, 'sound', Tick::of(10_000), Tick::zero());
        $take = new RecordedTake('t', 's', 1, tracks: [$voice]);
        $found = new AnalysisResult(hum: 50, room: Span::between(Tick::zero(), Tick::of(4_800)));
        $of = fn (?Cleaning $own, ?AnalysisResult $found): ?array => TakeView::of(
            $take, $this->ingest(), null, $found, new TakeEdits(cleaning: $own, usualCleaning: new Cleaning(hum: true)),
        )->content->cleanVoice?->toArray();

        self::assertSame(['sound', 50], [$of(null, $found)['sound'] ?? null, $of(null, $found)['hum'] ?? null]);
        self::assertNull($of(null, null), 'nobody knows yet whether it hums');
        self::assertNull($of(new Cleaning(), $found), 'chosen for the take: as it was recorded');
    }

    public function test_results_are_the_same_after_they_were_stored(): void
    {
        $ingest = $this->ingest(
            retakes: [$this->span(1_000, 2_000)], flags: ['noisy'],
            annotations: [new TakeAnnotation(new Box(0.1, 0.1, 0.2, 0.2, '0B5D66'), $this->span(8_100, 9_400), 'screen')],
            erasures: [new Erasure('screen', Tick::of(9_000))],
        );
        $stored = fn (array $result): array => (array) json_decode((string) json_encode($result), true);

        self::assertEquals($ingest, IngestResult::parse($stored($ingest->toArray())));
        self::assertEquals($this->heard(), AlignmentResult::parse($stored($this->heard()->toArray())));
        $room = Span::between(Tick::zero(), Tick::of(4_800));
        $analysis = new AnalysisResult(-20.5, -60.0, 50, $room, ['noisy' => $this->span(5, 9)], null, ['noisy']);
        self::assertEquals($analysis, AnalysisResult::parse($stored($analysis->toArray())));
        self::assertEquals(new AnalysisResult(), AnalysisResult::parse([]));
    }

    public function test_a_take_of_one_row_is_what_it_was(): void
    {
        $row = [
            'length_ticks' => 10_000, 'speech_from' => 600, 'speech_until' => 8_000, 'flags' => ['noisy', 'mains-hum', 'too-fast'],
            'lines' => [['id' => 'a', 'text' => 'A'], ['id' => 'b', 'text' => 'B']], 'line_ticks' => ['a' => 700], 'left' => [[10, 20]],
            'cut_ticks' => ['a' => 650], 'reached' => [['line' => 'a', 'within' => 0.5, 'at' => 900]], 'fluffs' => [[1, 2]],
            'markers' => [['id' => 1, 'at' => 77, 'says' => 'x']], 'marks' => [['kind' => 'wipe', 'on' => 'screen', 'from' => 4]],
            'hearing' => 'sure', 'spoken' => ['a'], 'flawed' => ['a'], 'inspected' => ['hum' => 50],
            'heard' => ['confidence' => 0.9, 'reads' => [['a', 'complete', 700, 900, 0.8]], 'pauses' => [[5, 6]]],
        ];
        $former = new FormerTake($row);
        [$ingest, $alignment, $analysis] = [$former->ingest(), $former->alignment(), $former->analysis()];

        self::assertSame(['noisy'], $ingest?->flags);
        self::assertSame([77], [$ingest->markers[1]->count]);
        self::assertSame(['screen'], array_column($ingest->erasures, 'on'));
        self::assertNotNull($alignment);
        self::assertSame([['a'], ['too-fast'], ['a']], [$alignment->order, $alignment->flags, $alignment->flawed]);
        self::assertEquals([new LineAttempt('a', AttemptKind::Complete, $this->span(700, 900), 0.8)], $alignment->attempts);
        self::assertEquals(new WordAnchor('a', 0.5, Tick::of(900)), $alignment->timings->anchors[0]);
        self::assertNotNull($analysis);
        self::assertSame([50, ['mains-hum']], [$analysis->hum, $analysis->flags]);
        $unsure = new FormerTake(['hearing' => 'unsure', 'spoken' => null] + $row);
        self::assertEquals(AlignmentStatus::Unsure, $unsure->alignment()?->status);
        self::assertSame([], $unsure->alignment()?->order);
        self::assertNull((new FormerTake(['hearing' => null, 'spoken' => null] + $row))->alignment());
        self::assertNull((new FormerTake(['length_ticks' => 0]))->ingest());
    }

    private function take(TakeState $state = TakeState::Ready): RecordedTake
    {
        return new RecordedTake('t', 's', 1, $state, [
            new SpokenLine('a', 'One.'), new SpokenLine('b', 'Two.'), new SpokenLine('c', 'Three.'),
        ]);
    }

    /**
     * @param  list<Span>  $retakes
     * @param  list<string>  $flags
     * @param  list<TakeAnnotation>  $annotations
     * @param  list<Erasure>  $erasures
     */
    private function ingest(array $retakes = [], array $flags = [], array $annotations = [], array $erasures = []): IngestResult
    {
        $starts = array_map(Tick::of(...), ['a' => 1_000, 'b' => 4_000, 'c' => 7_000]);

        return new IngestResult(
            Tick::of(10_000), $this->span(500, 9_500), new LineTimings($starts, $starts), $retakes, $flags, $annotations, $erasures,
            [1 => Tick::of(3_000)],
        );
    }

    /** The second line was only begun. */
    private function heard(AlignmentStatus $status = AlignmentStatus::Sure): AlignmentResult
    {
        return new AlignmentResult(
            $status,
            0.9,
            [
                new LineAttempt('a', AttemptKind::Complete, $this->span(700, 4_000), 0.9),
                new LineAttempt('b', AttemptKind::FalseStart, $this->span(4_300, 5_000), 0.6),
                new LineAttempt('c', AttemptKind::Complete, $this->span(5_300, 7_900), 0.9),
            ],
            [],
            [$this->span(4_000, 4_300)],
            ['b'],
            ['a', 'c'],
            $this->span(600, 8_000),
            [$this->span(4_200, 5_200)],
            new LineTimings(
                array_map(Tick::of(...), ['a' => 700, 'c' => 5_300]), array_map(Tick::of(...), ['a' => 600, 'c' => 5_200]),
                [new WordAnchor('a', 0.5, Tick::of(2_000))],
            ),
            ['c'],
            ['lines-missing'],
        );
    }

    /** @return list<int> */
    private function starts(TakeView $view): array
    {
        return array_values(array_map(fn (Tick $t): int => $t->count, $view->timings->starts));
    }

    private function span(int $from, int $until): Span
    {
        return Example::span($from, $until);
    }
}
