<?php

declare(strict_types=1);

namespace Tests\Core\Assembly;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCueAt;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\Shot;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Assembly\Silences;
use OpenReel\Core\Assembly\SpeedCueAt;
use OpenReel\Core\Assembly\WordFrames;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\FilterGraph;
use OpenReel\Core\Render\LayerGraph;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Script\SpeedCue;
use OpenReel\Core\Soundtrack\SoundPlace;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\TakeContent;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A take of 20 s: line a from 1 s on, silence from 4 s to 12 s, line b from 12 s to 15 s. */
final class SpeedTest extends TestCase
{
    private const SECOND = 48_000;

    #[TestWith(['8 x', 8])]
    #[TestWith(['8', 8])]
    #[TestWith(['3 TIMES', 3])]
    #[TestWith([' 4×', 4])]
    #[TestWith(['1 x', 2])]
    #[TestWith(['900x', 16])]
    #[TestWith(['Cut', null])]
    public function test_what_a_cue_says(string $value, ?int $times): void
    {
        self::assertEquals(new SpeedCue($times), SpeedCue::parse($value));
    }

    #[TestWith([''])]
    #[TestWith(['fast'])]
    #[TestWith(['-4 x'])]
    #[TestWith(['4.5 x'])]
    #[TestWith(['99999 x'])]
    #[TestWith(['4 x, cut'])]
    public function test_what_is_no_speed(string $value): void
    {
        self::assertNull(SpeedCue::parse($value));
    }

    public function test_a_silence_runs_faster_and_speech_and_its_breaths_do_not(): void
    {
        $map = $this->film(new SpeedCueAt('b', 0.0, new SpeedCue(4)))->segments[0]->map;

        // At 25 fps: 1 s to 4.3 s at its own pace, 4.3 s to 11.7 s four times as fast, and on to 15 s.
        $fast = (int) (7.4 * self::SECOND / (4 * 1920));
        self::assertSame([
            ['frames' => 82, 'in_ticks' => self::SECOND, 'step' => 1920],
            ['frames' => $fast, 'in_ticks' => self::SECOND + 82 * 1920, 'step' => 7680],
            ['frames' => 84, 'in_ticks' => self::SECOND + 82 * 1920 + $fast * 7680, 'step' => 1920],
        ], $map?->toArray());
    }

    public function test_a_cue_is_idle_where_its_word_is_spoken_behind_no_silence(): void
    {
        $given = [];
        foreach ([['a', 0.5], ['b', 0.0], ['b', 0.9], ['c', 0.0], [null, 0.0]] as $n => [$line, $within]) {
            $given[] = new SpeedCueAt($line, $within, new SpeedCue(4), $n);
        }

        self::assertSame([0, 2, 4], Silences::idle([$this->passage()], $given), 'nobody speaks c yet, so nobody knows');
        self::assertSame([], Silences::idle([], $given));
    }

    public function test_a_silence_is_cut_out(): void
    {
        $map = $this->film(new SpeedCueAt('b', 0.0, new SpeedCue(null)))->segments[0]->map;

        self::assertSame([
            ['frames' => 82, 'in_ticks' => self::SECOND, 'step' => 1920],
            ['frames' => 83, 'in_ticks' => (int) (11.7 * self::SECOND), 'step' => 1920],
        ], $map?->toArray());
        self::assertSame(82, $map->frameOf(Tick::of(8 * self::SECOND)), 'what is cut out is past when it is cut');
    }

    #[TestWith(['a', 0.0], 'before it')]
    #[TestWith(['a', 0.5], 'inside the line before')]
    #[TestWith(['c', 0.0], 'a line that is not spoken')]
    public function test_no_cue_runs_what_is_no_silence_before_it(string $line, float $within): void
    {
        self::assertSame([], $this->quick(new SpeedCueAt($line, $within, new SpeedCue(4))));
    }

    public function test_a_word_that_comes_long_after_a_silence_is_not_meant(): void
    {
        $late = new SpeedCueAt('b', 0.9, new SpeedCue(4));
        self::assertSame([], $this->quick($late), 'said 2.7 s after the silence');
        self::assertCount(1, $this->quick(new SpeedCueAt('b', 0.3, new SpeedCue(4))));
    }

    public function test_of_two_for_one_silence_the_last_counts(): void
    {
        $quick = $this->quick(new SpeedCueAt('b', 0.0, new SpeedCue(4)), new SpeedCueAt('b', 0.1, new SpeedCue(16)));

        self::assertSame([16], array_map(fn ($q): ?int => $q->times, $quick));
    }

    public function test_shots_are_parted_where_the_pace_changes_and_show_that_moment(): void
    {
        $film = $this->film(new SpeedCueAt('b', 0.0, new SpeedCue(4)));
        $tracks = array_map(fn (Shot $s): ?TrackAt => self::track($s), $film->segments[0]->shots);
        self::assertSame([0, 82, 128], array_map(fn (Shot $s): int => $s->offset, $film->segments[0]->shots));
        self::assertSame([1, 4, 1], array_map(fn (?TrackAt $t): ?int => $t?->pace, $tracks));
        self::assertSame(self::SECOND + 82 * 1920, $tracks[1]?->at->count);

        // Its tenth frame on: forty frames of the recording further.
        $graph = new FilterGraph;
        LayerGraph::picture($graph, ShotSpec::of($film->segments[0]->shots[1], FrameRate::of(25))->part(10, 5));
        self::assertContains(sprintf('%.6F', $tracks[1]->at->seconds() + 1.6), $graph->inputs());
        self::assertStringContainsString('[0:v]setpts=PTS/4,fps=25', $graph->text());
    }

    public function test_while_it_runs_faster_the_room_is_heard_at_its_own_pace(): void
    {
        $places = SoundPlan::of($this->film(new SpeedCueAt('b', 0.0, new SpeedCue(4))), -16.0)->places;

        // The take's sound goes on until the silence is over in the picture, and from there with the words.
        self::assertSame(
            [[0, self::SECOND, (82 + 46) * 1920], [128 * 1920, self::SECOND + 82 * 1920 + 46 * 7680, 84 * 1920]],
            array_map(fn (SoundPlace $p): array => [$p->at, $p->piece->from, $p->piece->samples], $places),
        );
    }

    public function test_the_word_behind_a_silence_is_told_and_whether_a_screen_is_seen(): void
    {
        $texts = ['a' => 'One two three.', 'b' => 'Four five.'];
        $screen = new ShotStyle(stage: Stage::screen('the gauge'));
        $section = $this->section([], [new PictureCueAt('a', 0.2, $screen)]);
        self::assertEquals(
            [['b', 0, 8000, true]],
            array_map(
                fn (SilenceFound $s): array => [$s->line, $s->word, $s->length->milliseconds(), $s->hasScreen],
                SilenceFound::all($section, $texts),
            ),
        );
        self::assertFalse(SilenceFound::all($this->section([], [new PictureCueAt('b', 0.5, $screen)]), $texts)[0]->hasScreen);
        self::assertNull(SilenceFound::all($section, ['a' => 'One.'])[0]->line, 'no word follows');
    }

    public function test_words_are_found_on_their_frames_behind_it(): void
    {
        $segment = $this->film(new SpeedCueAt('b', 0.0, new SpeedCue(4)))->segments[0];
        $words = WordFrames::of($segment, ['a' => 'One', 'b' => 'Four']);

        self::assertSame(['a' => [0], 'b' => [$segment->map?->frameOf(Tick::of(12 * self::SECOND))]], $words);
        self::assertSame(137, $words['b'][0]);
    }

    private static function track(Shot $shot): ?TrackAt
    {
        $source = $shot->picture->layers[0]->source;

        return $source instanceof TrackAt ? $source : null;
    }

    /** @return list<\OpenReel\Core\Assembly\SpeedUp> */
    private function quick(SpeedCueAt ...$cues): array
    {
        return Silences::quicken($this->passage(), array_values($cues))->quick;
    }

    private function film(SpeedCueAt ...$cues): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), [$this->section(array_values($cues))]);
    }

    /**
     * @param  list<SpeedCueAt>  $cues
     * @param  list<PictureCueAt>  $changes
     */
    private function section(array $cues, array $changes = []): SectionInput
    {
        $passage = Silences::quicken($this->passage(), $cues);

        return new SectionInput('s', 'S', new ShotStyle(), [$passage], $changes, lines: ['a', 'b']);
    }

    private function passage(): Passage
    {
        $length = Tick::of(20 * self::SECOND);
        $take = Example::view(
            't',
            1,
            [
                new RecordedTrack(TrackKind::Camera, 'camera', $length, Tick::zero(), Shape::of(1280, 720)),
                new RecordedTrack(TrackKind::Microphone, 'voice', $length, Tick::zero(), loudness: -20.0),
            ],
            Example::span(self::SECOND, 15 * self::SECOND),
            ['a' => Tick::of(self::SECOND), 'b' => Tick::of(12 * self::SECOND)],
            new TakeContent(pauses: [
                Example::span(2 * self::SECOND, (int) (3.5 * self::SECOND)),
                Example::span(4 * self::SECOND, 12 * self::SECOND),
            ]),
        );

        return new Passage($take, $take->extent(), ['a', 'b']);
    }
}
