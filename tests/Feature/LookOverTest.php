<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Actions\Takes\InspectTake;
use App\Actions\Takes\KeepResult;
use App\Jobs\AlignTakesJob;
use App\Media\Program;
use App\Media\TakeInspector;
use App\Media\VoiceCleaner;
use App\Models\Section;
use App\Models\Take;
use App\Queries\Film\AssembleLesson;
use App\Queries\Takes\CleanedVoice;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakeFindings;
use App\Queries\Takes\TakeViews;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Analysis\RoomNoise;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\CameraLook;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Soundtrack\SoundPart;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\LineAttempt;
use PHPUnit\Framework\Attributes\DataProvider;

/** What is found when takes are looked over, and what is made of their sound; with real programs on made-up takes. */
final class LookOverTest extends FeatureTestCase
{
    public function test_a_camera_is_adjusted_for_a_take_or_all_and_made_to_go_with_its_neighbours(): void
    {
        $section = $this->section();
        $lesson = $section->lesson()->firstOrFail();
        $other = Section::factory()->for($lesson)->create(['position' => 2]);
        $takes = array_map(fn (Section $s): Take => $this->keep($this->record($s, Clips::spoken())), [$section, $other]);
        $change = fn (mixed $to, string $for = 'take') => $this->patchJson("/api/takes/{$takes[0]->id}", [
            'adjustment' => $to, 'for' => $for,
        ]);
        $brighter = ['brightness' => 10, 'contrast' => 0, 'warmth' => -5, 'saturation' => 0];
        $change($brighter)->assertOk()->assertJsonPath('adjustment', $brighter);
        $colours = fn (): array => array_map(
            fn (array $segment): mixed => $segment['shots'][0]['picture']['layers'][0]['colours'],
            $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments'),
        );
        self::assertSame([true, false], array_map(is_array(...), $colours()));
        $change($brighter, 'lesson')->assertOk();
        self::assertSame([true, true], array_map(is_array(...), $colours()));
        foreach (['bright', ['brightness' => 900], ['warmth' => 'very']] as $odd) {
            $change($odd)->assertStatus(422);
        }
        self::assertSame($brighter, $takes[0]->refresh()->adjustment);
        $told = $this->toldSections($lesson->id)[0]['takes'][0]['adjustment'];
        self::assertSame($brighter, $told);
        $change(null)->assertOk()->assertJsonPath('adjustment', null);

        // Both were seen in the same light; then the other one is darker.
        $match = fn (): mixed => $this->getJson("/api/takes/{$takes[1]->id}/match")->assertOk()->json('adjustment');
        array_map(fn (Take $t) => app(InspectTake::class)($t->refresh()), $takes);
        $looked = TakeFindings::of($takes[1]->refresh())->analysis;
        self::assertNull($match());
        self::assertNotNull($looked);
        $darker = ['brightness' => $looked->camera?->brightness - 20] + $looked->toArray()['camera'];
        app(KeepResult::class)->analysis($takes[1], AnalysisResult::parse(['camera' => $darker] + $looked->toArray()));
        self::assertSame(['brightness' => 16, 'contrast' => 0, 'warmth' => 0, 'saturation' => 0], $match());
    }

    public function test_a_camera_with_few_key_frames_looks_like_one_with_many(): void
    {
        $looks = array_map(fn (int $apart): ?CameraLook => app(TakeInspector::class)->camera(
            Clips::make("keys-{$apart}.mp4", [
                '-f', 'lavfi', '-i', 'testsrc2=s=160x90:r=25:d=4', '-f', 'lavfi', '-i', 'color=black:s=160x90:r=25:d=4',
                '-filter_complex', '[0][1]concat', '-c:v', 'libx264', '-g', (string) $apart, '-sc_threshold', '0',
            ]),
            SourceColour::tagged(null, null, 90),
        ), [12, 250]);
        self::assertNotNull($looks[0]);
        self::assertNotNull($looks[1]);
        self::assertEqualsWithDelta($looks[1]->brightness, $looks[0]->brightness, 1.0);
        // Of key frames alone a change is seen half a second later at most.
        self::assertEquals([Span::between(Tick::ofSeconds(4.5), Tick::ofSeconds(8))], $looks[0]->black);
        self::assertEquals([Span::between(Tick::ofSeconds(4), Tick::ofSeconds(8))], $looks[1]->black);
    }

    private const LINES = [
        'The height is given in metres above chart datum.',
        'High water at the quay is at a quarter past seven.',
        'Never trust the table alone when the wind blows hard.',
    ];

    private const OTHERS = ['So leave a margin under your keel.', 'Then come home before the mud does.'];

    /** The same noise each time. */
    private const FAN = '[a];anoisesrc=r=48000:c=pink:a=0.05:d=20:seed=7[n];'.
        '[a][n]amix=inputs=2:normalize=0:duration=first';

    /** @return iterable<string, array{string, list<string>}> filters over a voice in a quiet room, and what is flagged */
    public static function rooms(): iterable
    {
        yield 'a quiet room' => ['anull', []];
        yield 'a fan' => [
            self::FAN,
            ['noisy'],
        ];
        yield 'hum' => [
            '[a];sine=f=50:r=48000:d=20,volume=0.06[n];[a][n]amix=inputs=2:normalize=0:duration=first',
            ['noisy', 'mains-hum'],
        ];
        yield 'a telephone' => ['aresample=8000', ['telephone-quality']];
    }

    /** @param  list<string>  $flags */
    #[DataProvider('rooms')]
    public function test_what_is_wrong_with_a_room_is_flagged_and_can_be_heard(string $filters, array $flags): void
    {
        $take = $this->spoken($filters);
        app(InspectTake::class)($take);

        self::assertSame($flags, $take->refresh()->summary->flags);
        $heard = $this->getJson("/api/takes/{$take->id}/heard")
            ->assertOk()
            ->json();
        self::assertEqualsCanonicalizing(array_diff($flags, ['telephone-quality']), array_keys($heard['places']));
        if ($flags === ['noisy']) {
            // There nobody speaks for a second, of a second and a half.
            [$from, $until] = [$heard['places']['noisy']['from_ms'] / 1000, $heard['places']['noisy']['until_ms'] / 1000];
            $spoken = array_map(fn (array $t): float => max(0.0, min($until, $t[1]) - max($from, $t[0])), self::voice()[1]);
            self::assertLessThan(0.6, array_sum($spoken), "{$from} to {$until} s");
        }
        self::assertSame(in_array('mains-hum', $flags, true) ? 50 : null, $heard['hum_hz']);
    }

    /** @return iterable<string, array{string, list<string>, array{int, int}|null}> a picture, flags, and where it is seen, s */
    public static function cameras(): iterable
    {
        yield 'somebody moves' => ['testsrc2=s=320x180:r=10:d=6', [], null];
        yield 'a closed cover' => ['color=0x050505:s=320x180:r=10:d=6', ['camera-black'], [0, 6]];
        yield 'stands still' => [
            'testsrc2=s=320x180:r=10:d=6,loop=loop=-1:size=1:start=3,trim=duration=6',
            ['camera-frozen'],
            [0, 6],
        ];
    }

    /**
     * @param  list<string>  $flags
     * @param  array{int, int}|null  $seen
     */
    #[DataProvider('cameras')]
    public function test_a_black_or_still_camera_is_flagged(string $picture, array $flags, ?array $seen): void
    {
        $clip = Clips::make('look-'.md5($picture).'.webm', [
            '-f',
            'lavfi',
            '-i',
            $picture,
            '-f',
            'lavfi',
            '-i',
            'sine=f=200:d=6',
            '-map',
            '0:v',
            '-map',
            '1:a',
            '-c:v',
            'libvpx',
            '-b:v',
            '1M',
            '-c:a',
            'libopus',
            '-shortest',
        ]);
        $take = $this->record($this->section(), $clip);
        app(InspectTake::class)($take);

        self::assertSame($flags, array_values(array_intersect($take->refresh()->summary->flags, ['camera-black', 'camera-frozen'])));
        if ($seen !== null) {
            $place = $this->getJson("/api/takes/{$take->id}/heard")->json("places.{$flags[0]}");
            self::assertEqualsWithDelta(1000 * $seen[0], $place['from_ms'], 600);
            self::assertEqualsWithDelta(1000 * min($seen[1], $take->summary->length_ticks / 48_000), $place['until_ms'], 600);
        }
    }

    public function test_the_words_of_a_take_are_heard_also_when_its_picture_cannot_be_looked_at(): void
    {
        [$voice] = Stumbling::take('clear', array_map(fn (string $line): array => [$line, 1.0, 1.0], self::LINES), noise: 3);
        $clip = Clips::make('look-and-say.webm', [
            '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=10:d=20', '-i', $voice, '-map', '0:v', '-map', '1:a',
            '-c:v', 'libvpx', '-b:v', '1M', '-c:a', 'libopus', '-shortest',
        ]);
        $take = $this->record($this->written(), $clip);
        $this->media()->write((string) $take->track(TrackKind::Camera)?->file_path, 'no film any more');
        (new AlignTakesJob)->handle(app(AlignTake::class), app(InspectTake::class));

        self::assertSame(AlignmentStatus::Sure, $take->refresh()->summary->alignment);
        self::assertEquals(new AnalysisResult(), TakeFindings::of($take)->analysis);
    }

    public function test_noise_is_taken_out_of_a_voice_and_no_word_with_it(): void
    {
        $take = $this->spoken(str_replace('0.05', '0.08', self::FAN));
        app(InspectTake::class)($take);
        app(AlignTake::class)($take->refresh());
        $attempts = fn (Take $take): array => TakeFindings::of($take->refresh())->alignment->attempts ?? [];
        $kinds = fn (Take $take): array => array_map(fn (LineAttempt $a): string => $a->kind->value, $attempts($take));
        $starts = fn (Take $take): array => array_map(fn (LineAttempt $a): int => $a->span->from->count, $attempts($take));
        self::assertSame(['complete', 'complete', 'complete'], $kinds($take));
        $recording = $this->voiceOf($take);
        $was = $this->noise($this->media()->path($recording));
        $before = $this->media()->hash($recording);

        foreach ([[NoiseReduction::Light, 8.0], [NoiseReduction::Strong, 14.0]] as [$noise, $gain]) {
            $path = $this->cleaned($take, new Cleaning($noise));
            $is = $this->noise($path);
            self::assertGreaterThan($was->under() + $gain, $is->under(), $noise->value);
            self::assertEqualsWithDelta($was->voice, $is->voice, 1.5, 'the voice is as loud as it was');
            self::assertSame($this->samples($this->media()->path($recording)), $this->samples($path), 'and as long');
        }
        self::assertSame($before, $this->media()->hash($recording), 'the recording is not touched');

        // The ears hear as much in it.
        copy($this->cleaned($take, new Cleaning(NoiseReduction::Strong)), $file = sys_get_temp_dir().'/reel-cleaned.flac');
        $again = $this->record($this->written(), $file, kind: 'microphone');
        app(AlignTake::class)($again);
        self::assertSame($kinds($take), $kinds($again));
        self::assertEqualsWithDelta(
            $starts($take),
            $starts($again),
            0.12 * 48_000,
            'at the same times',
        );
    }

    public function test_hum_and_rumble_are_filtered(): void
    {
        $take = $this->spoken('[a];sine=f=50:r=48000:d=20,volume=0.1[n];[a][n]amix=inputs=2:normalize=0:duration=first');
        app(InspectTake::class)($take);
        $was = $this->noise($this->media()->path($this->voiceOf($take)));

        self::assertGreaterThan($was->under() + 12, $this->noise($this->cleaned($take, new Cleaning(hum: true)))->under());
        self::assertGreaterThan($was->under() + 4, $this->noise($this->cleaned($take, new Cleaning(lowCut: true)))->under());
    }

    public function test_a_cleaned_voice_is_heard_before_it_is_chosen_and_then_in_the_film(): void
    {
        $take = $this->spoken(self::FAN);
        $question = "/api/takes/{$take->id}/cleaned?noise=light&hum=0&low_cut=1";
        $this->getJson("/api/takes/{$take->id}/cleaned?noise=much&hum=0&low_cut=1")
            ->assertStatus(422)
            ->assertJson(['detail' => 'Say how the sound is to be cleaned.']);
        app(InspectTake::class)($take);
        $this->getJson($question)
            ->assertOk()
            ->assertExactJson(['ready' => false, 'url' => null, 'problem' => null]);
        $url = $this->getJson($question)->assertOk()->json('url');
        self::assertStringStartsWith(
            'fLaC',
            (string) file_get_contents($this->fileOf($this->get($url)->assertOk())->getPathname()),
        );

        $lesson = $this->keep($take->refresh())->lesson();
        $key = fn (): string => SoundPart::all(app(AssembleLesson::class)($lesson->refresh())->sound())[0]->key('v');
        $plain = $key();
        $beside = fn (): array => array_column(
            $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.beside'),
            'url',
            'kind',
        );
        self::assertArrayNotHasKey('voice', $beside());
        $this->patchJson("/api/lessons/{$lesson->id}/style", [
            'style' => ['noise_reduction' => 'light', 'low_cut' => 'on'],
        ])->assertOk();
        $whole = $key();
        self::assertNotSame($plain, $whole);
        self::assertSame($url, $beside()['voice']);

        $this->patchJson("/api/takes/{$take->id}", ['cleaning' => ['noise' => 'off', 'hum' => false, 'low_cut' => false]])
            ->assertOk()
            ->assertJson(['cleaning' => ['noise' => 'off']]);
        self::assertSame($plain, $key());
        $this->patchJson("/api/takes/{$take->id}", ['cleaning' => null])->assertOk();
        self::assertSame($whole, $key());
        $this->patchJson("/api/takes/{$take->id}", ['cleaning' => ['noise' => 'all']])->assertStatus(422);
    }

    public function test_what_cannot_be_cleaned_says_why_and_is_tried_again_later(): void
    {
        $take = $this->spoken('anull');
        app(InspectTake::class)($take);
        config(['reel.programs.sox' => 'no-such-program']);
        $ask = fn (): array => $this->getJson("/api/takes/{$take->id}/cleaned?noise=light&hum=0&low_cut=0")->assertOk()->json();
        $ask();
        self::assertFalse($ask()['ready']);
        self::assertStringContainsString('no-such-program', (string) $ask()['problem']);
        self::assertSame([], $this->draftsLeft());

        config(['reel.programs.sox' => 'sox']);
        $this->travel(2)->minutes();
        $ask();
        self::assertTrue($ask()['ready']);
    }

    public function test_the_film_is_as_clean_as_was_chosen(): void
    {
        $take = $this->spoken(self::FAN);
        app(InspectTake::class)($take);
        $this->keep($take->refresh());
        $under = function () use ($take): float {
            $export = $this->postJson("/api/lessons/{$take->lesson()->id}/exports")
                ->assertSuccessful()
                ->json('id');

            return $this->noise($this->fileOf($this->get("/api/exports/{$export}/file")->assertOk())->getPathname())->under();
        };
        $was = $under();
        $this->patchJson("/api/takes/{$take->id}", [
            'cleaning' => ['noise' => 'light', 'hum' => false, 'low_cut' => false],
        ])->assertOk();

        self::assertGreaterThan($was + 6, $under());
    }

    public function test_a_stretch_is_silent_in_the_film_and_comes_back(): void
    {
        $take = $this->keep($this->record($this->section(), Clips::spoken()));
        $lesson = $take->lesson();
        [$from, $until] = [(int) ($take->summary->speech_from / 48) + 800, (int) ($take->summary->speech_from / 48) + 1_400];
        $this->patchJson("/api/takes/{$take->id}", ['silences' => [['from_ms' => 5, 'until_ms' => 'x']]])->assertStatus(422);
        $told = $this->patchJson("/api/takes/{$take->id}", ['silences' => [['from_ms' => $from, 'until_ms' => $until]]])
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta($from, $told['silences'][0]['from_ms'], 80);

        $segment = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0');
        $fps = $lesson->fps;
        $into = fn (int $ms): float => (($ms - $take->summary->speech_from / 48) / 1000) * $fps;
        self::assertEqualsWithDelta($into($told['silences'][0]['from_ms']), $segment['silences'][0][0], 1);
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertSuccessful()
            ->json('id');
        $film = $this->fileOf($this->get("/api/exports/{$export}/file"))->getPathname();
        $log = Program::run(['ffmpeg', '-nostdin', '-i', $film, '-af', 'silencedetect=noise=-70dB:d=0.3', '-f', 'null', '-'])[
            'log'
        ];
        self::assertSame(2, preg_match_all('/silence_(?:start|end): ([\d.]+)/', $log, $found));
        self::assertEqualsWithDelta($into($told['silences'][0]['from_ms']) / $fps, (float) $found[1][0], 0.08);
        self::assertEqualsWithDelta($into($told['silences'][0]['until_ms']) / $fps, (float) $found[1][1], 0.08);

        $this->patchJson("/api/takes/{$take->id}", ['silences' => []])->assertOk();
        self::assertSame([], $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('segments.0.silences'));
    }

    public function test_a_course_may_want_its_pauses_shorter(): void
    {
        [$file] = Stumbling::take('pausing', [
            [self::LINES[0], 1.0, 0.8],
            [self::LINES[1], 1.0, 2.6],
            [self::LINES[2], 1.0, 0.5],
        ]);
        $take = $this->keep($this->record($this->written(), $file));
        app(AlignTake::class)($take->refresh());
        $lesson = $take->lesson();
        $long = $take->refresh()->summary->used_ticks;
        self::assertSame([], $take->summary->tightened);

        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['longest_pause' => 700]])->assertOk();
        $take->refresh();
        self::assertCount(1, $take->summary->tightened);
        self::assertEqualsWithDelta($long - 1.9 * 48_000, $take->summary->used_ticks, 0.3 * 48_000);
        self::assertCount(2, $take->summary->used);

        app(AlignTake::class)($take);
        self::assertCount(1, $take->summary->tightened, 'heard again it stays so');
        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['longest_pause' => 0]])->assertOk();
        self::assertSame($long, $take->refresh()->summary->used_ticks);
        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['longest_pause' => 123]])->assertStatus(422);
    }

    public function test_takes_that_do_not_go_together_are_told_where_they_meet(): void
    {
        $section = $this->written();
        $lines = DB::table('lines')
            ->where('section_id', $section->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->pluck('id')
            ->all();
        $first = $this->keep($this->spoken('anull', $section));
        app(InspectTake::class)($first);
        $fan = self::FAN.',volume=-8dB';
        $second = $this->keep($this->spoken($fan, $section));
        $this->putJson("/api/lessons/{$section->lesson_id}/choices", ['lines' => [$lines[0]], 'take' => $first->id])
            ->assertSuccessful();
        self::assertSame(
            [$first->id, $second->id, $second->id],
            array_column(LessonCoverage::of($section->lesson()->firstOrFail())->lines, 'take'),
        );
        self::assertSame(
            [],
            $this->getJson("/api/sections/{$section->id}/continuity")
                ->assertOk()
                ->json(),
            'not looked over yet',
        );
        app(InspectTake::class)($second->refresh());

        // Cleaned, it is as good as the other one.
        self::assertArrayHasKey($lines[1], self::flawedIn($second));
        $this->patchJson("/api/takes/{$second->id}", ['cleaning' => ['noise' => 'light', 'hum' => false, 'low_cut' => false]])
            ->assertOk();
        self::assertSame([], self::flawedIn($second->refresh()));

        $told = $this->getJson("/api/sections/{$section->id}/continuity")
            ->assertOk()
            ->json();
        self::assertCount(1, $told);
        self::assertSame(
            [$first->id, $second->id, $lines[1]],
            [data_get($told, '0.before.take_id'), data_get($told, '0.take_id'), data_get($told, '0.line')],
        );
        self::assertSame(['quieter', 'more-noise'], data_get($told, '0.changes'));
    }

    public function test_a_card_between_takes_lets_one_forget_how_it_was_before(): void
    {
        $fan = self::FAN;
        $first = $this->keep($this->spoken($fan));
        $lesson = $first->lesson();
        $words = fn (string $between): array => [
            'text' => "# Two\n\n## One\n\n".implode(' ', self::LINES)."\n\n{$between}## Two\n\n".implode(' ', self::OTHERS)."\n",
            'revision' => $lesson->refresh()->revision,
        ];
        $this->putJson("/api/lessons/{$lesson->id}/script", $words(''))->assertOk();
        $section = $lesson->sections()->get()->last();
        self::assertInstanceOf(Section::class, $section);
        $second = $this->keep($this->spoken('anull', $section));
        app(InspectTake::class)($first->refresh());
        app(InspectTake::class)($second->refresh());
        $told = fn (): mixed => $this->getJson("/api/sections/{$section->id}/continuity")->assertOk()->json('*.changes');
        self::assertSame([['less-noise']], $told());

        $this->putJson("/api/lessons/{$lesson->id}/script", $words("## Half way\n\n[card: divider, 3 s]\n\n"))->assertOk();
        self::assertSame([], $told());
    }

    /** @return array<string, true> */
    private static function flawedIn(Take $take): array
    {
        return TakeViews::of($take)->flawed;
    }

    private function spoken(string $filters, ?Section $section = null): Take
    {
        [$file] = self::voice();
        $clip = Clips::make('room-'.md5($filters).'.flac', [
            '-i',
            $file,
            '-filter_complex',
            '[0:a]aresample=48000'.(str_starts_with($filters, '[') ? '' : ',').$filters,
            '-ac',
            '1',
            '-ar',
            '48000',
        ]);

        return $this->record($section ?? $this->written(), $clip, kind: 'microphone');
    }

    /** @return array{string, list<array{float, float}>} three lines with a second of silence before each; when each is said, s */
    private static function voice(): array
    {
        return Stumbling::take('clear', array_map(fn (string $line): array => [$line, 1.0, 1.0], self::LINES), noise: 3);
    }

    private function written(): Section
    {
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['script' => implode(' ', self::LINES)])->assertOk();

        return $section->refresh();
    }

    private function cleaned(Take $take, Cleaning $cleaning): string
    {
        $voice = CleanedVoice::of($take, $cleaning);
        self::assertNotNull($voice);

        return app(VoiceCleaner::class)->make($voice, $this->media()->path($this->voiceOf($take)));
    }

    private function voiceOf(Take $take): string
    {
        return (string) $take->track(TrackKind::Microphone)?->file_path;
    }

    private function samples(string $file): string
    {
        return trim(
            Program::run(['ffprobe', '-v', 'error', '-show_entries', 'stream=duration_ts', '-of', 'csv=p=0', $file])['output'],
        );
    }

    private function noise(string $file): RoomNoise
    {
        $pcm = Program::run(['ffmpeg', '-v', 'error', '-i', $file, '-vn', '-ac', '1', '-ar', '48000', '-f', 's16le', '-'])[
            'output'
        ];
        $stream = fopen('php://memory', 'w+') ?: self::fail('no memory');
        fwrite($stream, $pcm);
        rewind($stream);

        return RoomNoise::of(LevelReader::read($stream)) ?? self::fail('nobody speaks');
    }
}
