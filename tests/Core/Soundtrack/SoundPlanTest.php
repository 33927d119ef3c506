<?php

declare(strict_types=1);

namespace Tests\Core\Soundtrack;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CardSource;
use OpenReel\Core\Assembly\MusicCueAt;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Sound\CleanCommand;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\CleanVoice;
use OpenReel\Core\Sound\MusicLevels;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Soundtrack\MusicClip;
use OpenReel\Core\Soundtrack\SoundCommand;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Soundtrack\SoundPiece;
use OpenReel\Core\Soundtrack\SoundPlace;
use OpenReel\Core\Soundtrack\SoundPlan;
use OpenReel\Core\Take\RecordedTrack;
use OpenReel\Core\Take\TakeContent;
use OpenReel\Core\Take\TakeView;
use PHPUnit\Framework\TestCase;
use Tests\Core\Assembly\Example;

final class SoundPlanTest extends TestCase
{
    public function test_pieces_lie_where_their_frames_are_and_are_as_long(): void
    {
        // 95 001 ticks are 50 frames of 1920: 96 000 samples.
        $plan = SoundPlan::of(Example::assembly([['One', [72_000, 167_001]], ['Two', [480, 1920]]]), -16.0);

        self::assertSame([[0, 72_000, 96_000], [96_000, 480, 1920]], $this->places($plan));
        self::assertSame(97_920, $plan->samples);
    }

    public function test_a_take_that_goes_on_is_one_piece_and_one_with_a_cut_two(): void
    {
        $take = Example::take('t', [0, 960_000]);
        $assembly = $this->assembly([
            $this->section('a', [
                new Passage($take, Example::span(0, 100_000)),
                new Passage($take, Example::span(100_000, 200_000)),
                new Passage($take, Example::span(300_000, 400_000)),
            ]),
        ]);
        $plan = SoundPlan::of($assembly, -16.0);

        // The first 52 frames, then on from there for 53 more, which hold the rest.
        self::assertSame([[0, 0, (52 + 53) * 1920], [105 * 1920, 300_000, 53 * 1920]], $this->places($plan));
    }

    public function test_a_microphone_that_began_later_is_silent_until_then(): void
    {
        $take = Example::view(
            't',
            1,
            [new RecordedTrack(TrackKind::Microphone, 'm', Tick::of(96_000), Tick::of(4800))],
            Example::span(0, 96_000),
        );
        $piece = SoundPlan::of($this->assembly([$this->section('a', [new Passage($take, $take->extent())])]), -16.0)->places[0]
            ->piece;

        self::assertSame(-4800, $piece->from);
        // 4800 samples and the 960 of the handle.
        self::assertStringContainsString(
            'adelay=delays=5760S:all=1',
            implode(' ', SoundCommand::piece($piece, 'm.flac', 0.0, 'out')),
        );
    }

    public function test_cards_and_takes_without_a_voice_are_silent(): void
    {
        $card = new SectionInput(
            'c',
            'C',
            new ShotStyle(),
            card: new CardSource(Example::slide('card'), Tick::ofMilliseconds(2000)),
        );
        $mute = Example::view('t', 1, [], Example::span(0, 96_000));
        $plan = SoundPlan::of($this->assembly([$card, $this->section('a', [new Passage($mute, $mute->extent())])]), -16.0);

        self::assertSame([null, null], array_map(fn (SoundPlace $p): ?string => $p->piece->sound, $plan->places));
        self::assertContains(
            'anullsrc=r=48000:cl=stereo,atrim=end_sample=97920',
            SoundCommand::piece($plan->places[0]->piece, null, 0.0, 'out'),
            'with its handles',
        );
    }

    public function test_the_command_takes_a_handle_on_either_side_and_limits_only_where_it_must(): void
    {
        $piece = new SoundPiece('s', 72_000, 96_000, -16.0, -20.0, -12.0);
        $quiet = implode(' ', SoundCommand::piece($piece, 'sound.flac', 7.25, 'out.pcm'));
        $loud = implode(' ', SoundCommand::piece($piece, 'sound.flac', 9.5, 'out.pcm'));

        self::assertStringContainsString(
            'atrim=start_sample=71040:end_sample=168960,asetpts=PTS-STARTPTS,pan=stereo|c0=c0|c1=c0,apad=whole_len=97920',
            $quiet,
        );
        self::assertStringContainsString('volume=7.25dB,ebur128', $quiet);
        self::assertStringContainsString('volume=9.50dB,aresample=192000,alimiter=limit=0.80', $loud);
        self::assertFalse((new SoundPiece('s', 0, 1, -16.0))->needsNoLimiter(0.0), 'nobody knows its peak');
    }

    public function test_the_computer_is_heard_under_the_voice_and_alone_where_there_is_none(): void
    {
        $computer = new RecordedTrack(TrackKind::Computer, 'computer', Tick::of(9_000_000), Tick::of(480), loudness: -30.0);
        $voice = new RecordedTrack(TrackKind::Microphone, 'voice', Tick::of(9_000_000), Tick::zero(), loudness: -20.0, peak: -9.0);
        $of = function (RecordedTrack ...$tracks): SoundPiece {
            $take = Example::view('t', 1, array_values($tracks), Example::span(4800, 48_000));

            return SoundPlan::of($this->assembly([$this->section('a', [new Passage($take, $take->extent())])]), -16.0, 6.0)
                ->places[0]->piece;
        };
        $both = $of($voice, $computer);
        self::assertSame(['voice', ['sound' => 'computer', 'from' => 4320, 'gain' => 8.0]], [
            $both->sound, $both->computer?->toArray(),
        ]);
        self::assertSame(['voice', 'computer'], $both->files());
        self::assertEquals($both, SoundPiece::parse((array) json_decode((string) json_encode($both->toArray()), true)));
        self::assertNotSame($both->key('v'), $of($voice)->key('v'));
        self::assertTrue($of($voice)->needsNoLimiter(4.0));
        self::assertFalse($both->needsNoLimiter(4.0), 'together they may be louder than either');
        self::assertSame(['computer', null], [$of($computer)->sound, $of($computer)->computer]);
        $command = implode(' ', SoundCommand::piece($both, 'voice.flac', 4.0, 'out.pcm', 'computer.flac'));
        self::assertStringContainsString('-i voice.flac -i computer.flac', $command);
        self::assertStringContainsString('volume=8.00dB[c];[v][c]amix=inputs=2:normalize=0', $command);
    }

    public function test_a_bed_steps_back_while_somebody_speaks_and_not_for_every_breath(): void
    {
        $bed = new MusicCueAt(new WordPlace(1), new MusicCue('bed', -6.0206, 0, 0), new MusicTrack('bed', 'bed', 48_000, -16.0));
        $card = fn (string $id, int $ms): SectionInput => new SectionInput(
            $id,
            $id,
            new ShotStyle(),
            card: new CardSource(Example::slide('card'), Tick::ofMilliseconds($ms)),
            music: $id === 'c1' ? [$bed] : [],
        );
        $spoken = fn (string $id): SectionInput => $this->section($id, [
            new Passage(Example::take($id, [0, 96_000]), Example::span(0, 96_000)),
        ]);
        $plan = SoundPlan::of(
            $this->assembly([$card('c1', 4000), $spoken('a'), $card('c2', 400), $spoken('b'), $card('c3', 4000)]),
            -16.0,
            music: new MusicLevels(under: 0.0, depth: 12.041, attackMs: 300, releaseMs: 1200),
        );

        // Four seconds of card, then speech until 8.4 s: the short card between is no reason to come up.
        $loud = $plan->beds[0]->loud;
        $at = fn (int ...$samples): array => array_map(fn (int $n): float => round($loud->at($n), 3), $samples);
        self::assertSame([0.5, 0.5, 0.125], $at(100_000, 192_000 - 14_400, 192_000));
        self::assertSame([0.125, 0.125, 0.5], $at(300_000, 403_200, 403_200 + 57_600));
        self::assertSame([[0, 595_200]], array_map(fn (MusicClip $b): array => [$b->at, $b->until], $plan->beds));
    }

    public function test_parts_begin_at_joins_on_whole_frames_and_together_are_the_track(): void
    {
        $sections = array_map(fn (int $i): array => ["Section {$i}", [0, 25 * 48_000]], range(1, 5));
        $parts = SoundPart::all(SoundPlan::of(Example::assembly($sections), -16.0));

        self::assertSame(
            [[0, 1_199_104], [1_199_104, 2_399_232], [2_399_232, 3_599_360], [3_599_360, 4_799_488], [4_799_488, 6_000_000]],
            array_map(fn (SoundPart $p): array => [$p->from, $p->until], $parts),
        );
        foreach ($parts as $part) {
            self::assertSame(0, $part->from % SoundPart::FRAME);
        }
        self::assertSame([0, 1172], $parts[0]->frames(), 'with the silence that an encoder begins with');
        self::assertSame([21, 1172], $parts[1]->frames());
        self::assertSame([21, null], $parts[4]->frames());
        self::assertEquals($parts[1], SoundPart::parse((array) json_decode((string) json_encode($parts[1]->toArray()), true)));
    }

    public function test_a_long_take_is_divided_and_a_short_film_is_not(): void
    {
        $long = SoundPart::all(SoundPlan::of(Example::assembly([['One', [0, 150 * 48_000]]]), -16.0));
        self::assertGreaterThan(3, count($long));
        foreach ($long as $part) {
            self::assertLessThanOrEqual(60 * 48_000, $part->until - $part->from);
        }
        self::assertSame(150 * 48_000, $long[count($long) - 1]->until);
        self::assertCount(
            1,
            SoundPart::all(SoundPlan::of(Example::assembly([['One', [0, 48_000]], ['Two', [0, 48_000]]]), -16.0)),
        );
        self::assertSame([0, null], SoundPart::all(SoundPlan::of(Example::assembly([['One', [0, 48_000]]]), -16.0))[0]->frames());
    }

    public function test_another_take_changes_the_parts_it_is_heard_in_and_those_behind_and_no_other(): void
    {
        $sections = fn (int $third): array => array_map(
            fn (int $i): array => ["Section {$i}", [$i === 3 ? $third : 0, 25 * 48_000]],
            range(1, 6),
        );
        $keys = fn (int $third): array => array_map(
            fn (SoundPart $p): string => $p->key('v'),
            SoundPart::all(SoundPlan::of(Example::assembly($sections($third)), -16.0)),
        );

        self::assertSame(array_slice($keys(0), 0, 1), array_slice($keys(4800), 0, 1));
        self::assertNotSame($keys(0)[2], $keys(4800)[2]);
    }

    public function test_dissolves_overlap_and_are_never_cut_by_a_part(): void
    {
        $section = fn (string $id): SectionInput => new SectionInput(
            $id,
            $id,
            new ShotStyle(),
            [new Passage(Example::take($id, [0, 30 * 48_000]), Example::span(0, 30 * 48_000))],
            join: Transition::dissolve(10),
        );
        $plan = SoundPlan::of($this->assembly([$section('a'), $section('b'), $section('c')]), -16.0);

        self::assertSame([0, 740 * 1920, 1480 * 1920], array_column($plan->places, 'at'));
        self::assertSame([740 * 1920, 750 * 1920], $plan->places[1]->change($plan->places[0]));
        foreach (SoundPart::all($plan) as $part) {
            self::assertNotContains(intdiv($part->from, SoundPart::FRAME), [
                intdiv(740 * 1920, SoundPart::FRAME),
                intdiv(1480 * 1920, SoundPart::FRAME),
            ]);
        }
    }

    public function test_what_is_silent_in_a_take_is_so_at_its_place_in_the_film(): void
    {
        $quiet = $this->quiet(Example::take('t', [0, 480_000]), [[90_000, 110_000], [300_000, 400_000]]);
        $plan = SoundPlan::of(
            $this->assembly([
                $this->section('a', [new Passage(Example::take('u', [0, 96_000]), Example::span(0, 96_000))]),
                $this->section('b', [new Passage($quiet, Example::span(100_000, 292_000))]),
            ]),
            -16.0,
        );

        self::assertSame([[], [[0, 10_000]]], array_map(Spans::pairs(...), array_column($plan->places, 'silences')));
        $parts = SoundPart::all($plan);
        self::assertEquals($parts[0], SoundPart::parse((array) json_decode((string) json_encode($parts[0]->toArray()), true)));
    }

    public function test_a_cleaned_voice_is_another_piece_and_needs_its_peaks_looked_at(): void
    {
        $take = Example::take('t', [0, 96_000]);
        $voice = $take->track(TrackKind::Microphone);
        self::assertNotNull($voice);
        $clean = CleanVoice::of($voice->hash, new Cleaning(NoiseReduction::Light), 50, Span::between(Tick::zero(), Tick::of(48_000)));
        $piece = fn (?CleanVoice $as): SoundPiece => SoundPlan::of(
            $this->assembly([$this->section('a', [new Passage($this->quiet($take, [], $as), Example::span(0, 96_000))])]),
            -16.0,
        )->places[0]->piece;

        self::assertNotSame($piece(null)->key('v'), $piece($clean)->key('v'));
        self::assertSame($piece(null)->files(), $piece($clean)->files());
        self::assertFalse($piece($clean)->needsNoLimiter(-60.0));
        self::assertEquals($piece($clean), SoundPiece::parse($piece($clean)->toArray()));
    }

    public function test_cleaning_does_only_what_can_be_done(): void
    {
        $all = new Cleaning(NoiseReduction::Strong, hum: true, lowCut: true);

        self::assertNull(CleanVoice::of('h', new Cleaning(), 50, Span::between(Tick::zero(), Tick::of(1))));
        self::assertNull(CleanVoice::of('h', new Cleaning(hum: true), null, null), 'there is no hum');
        self::assertNull(CleanVoice::of('h', new Cleaning(NoiseReduction::Light), null, null), 'nobody knows the room');
        $whole = CleanVoice::of('h', $all, 60, Span::between(Tick::zero(), Tick::of(48_000)));
        self::assertNotNull($whole);
        self::assertEquals($whole, CleanVoice::parse($whole->toArray()));
        self::assertEquals($all, Cleaning::parse($all->toArray()));
        self::assertContains('highpass=f=70,highpass=f=70,bandreject=f=60:width_type=h:w=3,bandreject=f=120:width_type=h:w=3,'.
            'bandreject=f=180:width_type=h:w=3,bandreject=f=240:width_type=h:w=3,bandreject=f=300:width_type=h:w=3,'.
            'bandreject=f=360:width_type=h:w=3,apad=pad_len=4096', CleanCommand::filtered($whole, 'in.flac', 'out.wav'));
    }

    /** @param  list<array{int, int}>  $silences */
    private function quiet(TakeView $take, array $silences, ?CleanVoice $clean = null): TakeView
    {
        return Example::view(
            $take->id,
            $take->number,
            $take->content->tracks,
            $take->extent(),
            content: new TakeContent(
                cleanVoice: $clean, silences: array_map(fn (array $s): Span => Example::span(...$s), $silences),
            ),
        );
    }

    /** @param  list<Passage>  $passages */
    private function section(string $id, array $passages): SectionInput
    {
        return new SectionInput($id, $id, new ShotStyle(), $passages);
    }

    /** @param  list<SectionInput>  $sections */
    private function assembly(array $sections): Assembly
    {
        return Assembly::of(FrameSize::of(1280, 720), FrameRate::of(25), $sections);
    }

    /** @return list<array{int, int, int}> */
    private function places(SoundPlan $plan): array
    {
        return array_map(fn (SoundPlace $p): array => [$p->at, $p->piece->from, $p->piece->samples], $plan->places);
    }
}
