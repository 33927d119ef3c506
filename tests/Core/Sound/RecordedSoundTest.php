<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Analysis\ContinuityBreak;
use OpenReel\Core\Analysis\Framing;
use OpenReel\Core\Analysis\Ingest;
use OpenReel\Core\Analysis\MainsHum;
use OpenReel\Core\Analysis\RoomNoise;
use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Analysis\SpeechFinder;
use OpenReel\Core\Analysis\SyncOffset;
use OpenReel\Core\Analysis\TakeProfile;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Adjustment;
use OpenReel\Core\Picture\CameraLook;
use OpenReel\Core\Picture\TransitionKind;
use OpenReel\Core\Sound\CleanCommand;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\CleanVoice;
use OpenReel\Core\Sound\ClickSound;
use OpenReel\Core\Sound\CutPlacement;
use OpenReel\Core\Sound\Envelope;
use OpenReel\Core\Sound\GainSearch;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Sound\RecordingInput;
use OpenReel\Core\Soundtrack\BedFiles;
use OpenReel\Core\Soundtrack\SoundCommand;
use OpenReel\Core\Soundtrack\SoundMix;
use OpenReel\Core\Soundtrack\SoundPiece;
use OpenReel\Core\Soundtrack\SoundPlace;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\LiveCue;
use OpenReel\Core\Take\Retakes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeClock;
use OpenReel\Core\Take\TrackOffsets;
use PHPUnit\Framework\TestCase;
use Tests\Core\MadeUp;
use Tests\Core\Recorded;

/** Whole made-up sounds and event logs: what they tell of a take, where it is cut, and how they are mixed. */
final class RecordedSoundTest extends TestCase
{
    public function test_levels_tell_what_they_told(): void
    {
        $made = new MadeUp(7);
        $answers = [];
        foreach (range(1, 30) as $round) {
            $levels = $this->levels($made);
            $length = $levels->length()->count;
            $tick = fn (): Tick => Tick::of($made->between(0, $length));
            $answers["levels {$round}"] = [
                SpeechFinder::find($levels), RoomNoise::of($levels), RoomNoise::of($levels)?->under(), SoundChecks::of($levels),
                SoundChecks::further($levels, $this->levels($made), null), $levels->peak(), $levels->loudest(), $levels->percentile(0.1),
                $levels->percentile(0.95), $levels->quietest($tick(), Tick::of(9_600)), $levels->quietestStretch(Tick::of(24_000)),
                $levels->around($tick()), $levels->loudestIn(Span::between(Tick::of(0), $tick())), $levels->wave(7),
                Levels::unpacked($levels->packed())->percentile(0.5),
            ];
            $cuts = new CutPlacement($made->oneIn(5) ? null : $levels, Tick::of($made->one([0, 2_400])));
            $at = array_map(fn (): Tick => $tick(), range(1, 4));
            usort($at, fn (Tick $a, Tick $b): int => $a->count <=> $b->count);
            $spans = [Span::between($at[0], $at[1]), Span::between($at[2], $at[3])];
            $answers["cuts {$round}"] = [
                array_map(fn (Tick $t): array => [$cuts->nearPrompter($t), $cuts->besideWord($t)], $at),
                $cuts->besideWords($spans, [$spans[0]]),
                $cuts->before($at[2], $at[1]), $cuts->after($at[1], $at[2]), CutPlacement::between($at[1], $at[2]),
                CutPlacement::middleOf($spans[1], Tick::of(24_000)),
            ];
        }
        foreach ([[1.0, 100], [0.4, 10], [7_300.0, 1_000_000], [60.0, 0]] as [$seconds, $bytes]) {
            $answers["recording of {$seconds} s, {$bytes}"] = RecordingInput::problem($seconds, $bytes);
        }
        foreach ([-40.0, -20.0, -15.2, -16.0, null] as $loudness) {
            $gain = GainSearch::start(-16.0, $loudness);
            $answers['gain of '.($loudness ?? 'nothing')] = [
                $gain, $gain->next(-17.5), $gain->next(-16.02), $gain->next(-16.5)->next(-16.2)->next(-15.7),
            ];
        }
        $pcm = pack(
            'v*', ...array_map(fn (int $i): int => ($i % 700 < 30 ? 32_767 : $made->between(-9_000, 9_000)) & 0xFFFF, range(1, 5_003)),
        );
        $file = SampleSound::memory();
        fwrite($file, $pcm."\1");
        rewind($file);
        $answers['read'] = LevelReader::read($file);
        Recorded::same('levels', $answers);
    }

    public function test_takes_tell_what_they_told(): void
    {
        $made = new MadeUp(8);
        $answers = [];
        foreach (range(1, 40) as $round) {
            $events = EventLog::parse(implode("\n", array_map(fn (array $row): string => (string) json_encode($row), $this->log($made))));
            $lines = array_map(fn (int $n): SpokenLine => new SpokenLine("l{$n}", $made->sentence(5, false)), range(0, 4));
            $used = Span::between(Tick::of(20_000), Tick::of(480_000));
            $clock = TakeClock::fromEvents($events);
            $retakes = Retakes::of($events);
            $times = LineTimes::of($lines, $events, $used);
            $reached = LineTimes::reached($lines, $events);
            $answers["log {$round}"] = [
                $events, $retakes, $times, $reached, TrackOffsets::of($events), $clock->at(3_000), $clock->at(9_000),
                $times === [] ? null : LiveCue::of($events, $retakes, $times, [$used], $reached), EventLog::write($events),
            ];
            $answers["take {$round}"] = (new Ingest(
                Tick::of(500_000), $made->oneIn(5) ? null : $this->levels($made), Tick::of($made->one([0, 720])), $lines, $events,
            ))->result();
        }
        Recorded::same('logs', $answers);
    }

    public function test_pictures_and_sounds_are_compared_as_they_were(): void
    {
        $made = new MadeUp(9);
        $answers = [];
        $looks = [];
        foreach (range(1, 12) as $round) {
            $look = CameraLook::of($this->pictures($made, $round)) ?? self::fail('no look');
            $looks[] = $look;
            $before = $looks[count($looks) - 2] ?? $look;
            $answers["picture {$round}"] = $look;
            $answers["look {$round}"] = [
                CameraLook::parse($look->toArray()) == $look, $look->flags(), Framing::changed($before, $look),
                Adjustment::matching($look, ...$looks), Adjustment::matching($look, ...$looks)?->matrix(),
                Adjustment::matching($look, ...$looks)?->filters(),
                ContinuityBreak::between(
                    new TakeProfile(-20.0, -60.0, $before), new TakeProfile(-20.0 - $round / 2, -60.0 + $round, $look),
                ),
            ];
        }
        foreach ([137, -900] as $later) {
            $sound = array_map(
                fn (int $i): int => ($i > 6_000 && $i < 22_000 ? $made->between(-6_000, 6_000) : $made->between(-50, 50)),
                range(0, 26_000),
            );
            $copy = array_map(fn (int $i): int => intdiv($sound[$i - $later] ?? 0, 2) + $made->between(-300, 300), array_keys($sound));
            $answers["later by {$later}"] = SyncOffset::between($sound, $copy);
        }
        $answers['another sound'] = SyncOffset::between(array_reverse($sound), $copy);
        foreach ([[50, 400], [60, 90], [50, 4], [55, 400]] as [$hertz, $loud]) {
            $hum = pack('v*', ...array_map(
                fn (int $i): int => ((int) round(
                    $loud * (sin(2 * M_PI * $hertz * $i / MainsHum::RATE) + 0.5 * sin(6 * M_PI * $hertz * $i / MainsHum::RATE)),
                ) + $made->between(-60, 60)) & 0xFFFF,
                range(1, 3 * MainsHum::RATE),
            ));
            $answers["hum of {$hertz} Hz, {$loud}"] = MainsHum::of($hum);
        }
        foreach (NoiseReduction::cases() as $noise) {
            foreach ([[true, true], [false, true], [true, false]] as [$hum, $low]) {
                $voice = CleanVoice::of('voice', new Cleaning($noise, $hum, $low), 50, Span::between(Tick::of(4_800), Tick::of(48_000)));
                $answers["cleaned {$noise->name}, ".json_encode([$hum, $low])] = $voice === null ? null : [
                    $voice->toArray(), $voice->key('encoder'), CleanCommand::filtered($voice, 'sound', 'wave'),
                    CleanCommand::mixed($voice, 'wave', $noise === NoiseReduction::Off ? null : 'reduced', 96_000, 'flac'),
                ];
            }
        }
        Recorded::same('compared', $answers);
    }

    public function test_sounds_are_mixed_as_they_were(): void
    {
        $made = new MadeUp(10);
        $answers = [];
        foreach (range(1, 25) as $round) {
            $at = 0;
            $places = [];
            foreach (range(1, $made->between(1, 5)) as $n) {
                $samples = $made->between(600, 4_000);
                $join = $n === 1 ? TransitionKind::Cut : $made->one(TransitionKind::cases());
                $overlap = $join === TransitionKind::Cut ? 0 : $made->between(1, 4) * 100;
                $start = max(0, $at - $overlap + ($made->oneIn(4) ? 700 : 0));
                $places[] = new SoundPlace(
                    new SoundPiece($made->oneIn(6) ? null : "sound-{$n}", 0, $samples, -16.0), $start, $join, $overlap,
                    $made->oneIn(3) ? [$start + 200] : [],
                    $made->oneIn(3) ? [Span::between(Tick::of($start + 150), Tick::of($start + 420))] : [],
                );
                $at = $start + $samples;
            }
            $answers["mix {$round}"] = array_map(
                fn (array $part): array => $this->mixed($places, $at, ...$part), [[0, $at], [intdiv($at, 3), intdiv($at, 2)]],
            );
        }
        foreach (range(1, 25) as $round) {
            $heard = [];
            for ($place = $made->between(0, 20_000); count($heard) < 4; $place += $made->between(10, 60_000)) {
                $heard[] = Span::between(Tick::of($place), Tick::of($place += $made->between(100, 50_000)));
            }
            $ducking = Envelope::ducking($heard, 12.0, $made->between(0, 14_400), $made->between(0, 57_600));
            $fades = Envelope::fades(0, 200_000, $made->between(0, 60_000), $made->between(0, 60_000));
            $both = $ducking->times($fades)->louder(0.7);
            $answers["envelope {$round}"] = [
                $ducking, $fades, $both, $both->within(20_000, 150_000), $both->delayed(500),
                array_map($both->at(...), range(0, 200_000, 9_999)), $both->bytes(15_000, 15_700),
            ];
        }
        $beds = array_map(fn (int $n): BedFiles => new BedFiles("bed-{$n}", "loud-{$n}"), range(1, 3));
        $answers['beds'] = [
            SoundCommand::withBeds('voice', [], 4_800, 'out'), SoundCommand::withBeds('voice', array_slice($beds, 0, 1), 4_800, 'out'),
            SoundCommand::withBeds('voice', $beds, 4_801, 'out'), SoundCommand::measure('file'), SoundCommand::part('pcm', 'out'),
            SoundCommand::music('file', 'out', 3_600), SoundCommand::goingRound('file', 960_000, 4_800, 'out'),
            SoundCommand::bed('file', 'out'),
        ];
        $answers['click'] = array_map(ClickSound::at(...), range(0, 2_000, 37));
        Recorded::same('mixes', $answers);
    }

    /** Speech and pauses of some loudness, in windows of 10 ms. */
    private function levels(MadeUp $made): Levels
    {
        $rms = $peaks = [];
        [$room, $voice] = [$made->between(-75, -35), $made->between(-45, -8)];
        foreach (range(1, $made->between(1, 12)) as $n) {
            $isVoice = $made->oneIn(2);
            foreach (range(1, $made->between(3, 90)) as $ignored) {
                $rms[] = $level = max(Levels::FLOOR_DB, ($isVoice ? $voice : $room) + $made->between(-40, 40) / 10);
                $peaks[] = (int) min(32_767, 32_768 * 10 ** (($level + 9) / 20));
            }
        }

        return new Levels($rms, $peaks, $made->one([0, 0, 1, 5, 40]), 480 * count($rms) - $made->between(0, 479));
    }

    /** @return list<array<string, mixed>> rows of an event log */
    private function log(MadeUp $made): array
    {
        $rows = [
            ['at_ms' => $made->between(0, 30), 'kind' => 'start', 'track' => 'microphone'],
            ['at_ms' => $made->between(0, 60), 'kind' => 'start', 'track' => 'camera', 'in_step' => $made->oneIn(2)],
            ['at_ms' => 20, 'kind' => 'start', 'track' => $made->one(['screen', 'wall']), 'surface' => $made->one(['monitor', 'hall'])],
        ];
        $line = 0;
        for ($at = $made->between(100, 900); $at < 10_000; $at += $made->between(80, 1_400)) {
            $points = array_map(
                fn (int $n): array => [40 * $n, $made->between(-10, 110) / 100, $made->between(0, 100) / 100, 0.5],
                range(0, $made->between(0, 5)),
            );
            $rows[] = ['at_ms' => $at] + match ($made->between(1, 18)) {
                1 => ['kind' => 'pause'],
                2 => ['kind' => 'resume'],
                3 => ['kind' => 'again', 'line' => $line],
                4 => ['kind' => 'marker'],
                5 => ['kind' => 'step', 'line' => $line, 'within' => $made->between(-1, 11) / 10],
                6 => ['kind' => 'cue', 'cue' => $made->cue()],
                7 => ['kind' => 'box', 'x' => 0.1, 'y' => 0.2, 'width' => 0.3, 'height' => 0.2, 'for_ms' => 900],
                8 => ['kind' => 'wipe', 'on' => $made->one(['board:1', 'board:123', 'slide:one', 'screen', 'wall'])],
                9 => [
                    'kind' => 'stroke', 'on' => 'slide:one', 'tool' => $made->one(['pen', 'highlighter', 'brush']),
                    'colour' => '0B5D66', 'width' => 'thick', 'points' => $points, 'id' => $made->between(0, 3),
                ],
                10 => ['kind' => 'pointer', 'on' => 'screen', 'points' => $points],
                11 => ['kind' => 'click', 'on' => 'screen', 'x' => 0.4, 'y' => 0.5, 'heard' => $made->oneIn(2)],
                12 => ['kind' => 'take-back', 'id' => $made->between(0, 3)],
                default => ['kind' => 'line', 'line' => $line = min(5, $line + $made->between(0, 2))],
            };
        }
        $rows[] = ['at_ms' => 10_000, 'kind' => 'finish'];

        return $rows;
    }

    /** @return iterable<string> pictures of a presenter who moves a little before a wall, dark now and then */
    private function pictures(MadeUp $made, int $round): iterable
    {
        $pixels = CameraLook::CELLS;
        [$light, $across, $size] = [$round < 8 ? $made->between(60, 160) : 100, $made->between(-4, 4), $made->one([4, 4, 5])];
        foreach (range(1, 24) as $n) {
            $cells = '';
            for ($i = 0; $i < $pixels; $i++) {
                [$x, $y] = [$i % CameraLook::WIDTH - intdiv(CameraLook::WIDTH, 2) - $across, intdiv($i, CameraLook::WIDTH)];
                // A face is told from a wall by what is in it: that grows with it.
                $face = 18 * ((abs(intdiv($x * 8, $size)) * 3 + intdiv($y * 8, $size) * 5) % 5);
                $value = abs($x) <= $size && $y > 3 ? $light + $face + $made->between(-12, 12) : $light + $x;
                $cells .= chr(max(0, min(255, $round === 5 && $n > 6 || $round === 6 && $n < 12 ? 2 : ($round === 7 ? $light : $value))));
            }
            $rest = CameraLook::BYTES - $pixels;
            yield $cells.str_repeat(chr(110 + $round), intdiv($rest, 2)).str_repeat(chr(150 - $round), $rest - intdiv($rest, 2));
        }
    }

    /**
     * @param  list<SoundPlace>  $places
     * @return list<int> some samples of the mix, and its length
     */
    private function mixed(array $places, int $end, int $from, int $until): array
    {
        $out = SampleSound::memory();
        (new SoundMix($places, $end, function (SoundPiece $piece) {
            $file = SampleSound::memory();
            fwrite($file, pack('v*', ...array_map(
                fn (int $i): int => (($i * 37 + crc32((string) $piece->sound)) % 60_000 - 30_000) & 0xFFFF,
                range(1, 2 * $piece->withHandles()),
            )));
            rewind($file);

            return $file;
        }))->write($from, $until, $out);
        rewind($out);
        $samples = array_values((array) unpack('s*', (string) stream_get_contents($out)));

        return [count($samples), array_sum($samples), ...array_map(fn (int $i): int => $samples[$i], range(0, count($samples) - 1, 97))];
    }
}
