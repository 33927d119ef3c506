<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Script\SaveScript;
use App\Media\Program;
use App\Models\Course;
use App\Models\Lesson;
use App\Models\Music;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Sound\Envelope;
use PHPUnit\Framework\Attributes\DataProvider;

/** Music under a lesson: brought in, heard where cues say, stepping back under speech. */
final class MusicTest extends FeatureTestCase
{
    /** Its end and its beginning are a quarter of a wave apart: as unlike each other as music is. No voice reaches it. */
    private const HERTZ = 6000.125;

    /** Samples. */
    private const STEP = 16_000;

    #[DataProvider('kinds')]
    public function test_music_of_every_usual_kind_is_brought_in(string $name, string $codec): void
    {
        $lesson = Lesson::factory()->create();
        $file = $this->sound('sine=f=220:d=3,aformat=sample_rates=44100', "{$codec}-{$name}", ['-c:a', $codec]);
        $offered = $this->bringIn($lesson, $file, $name)->assertCreated()->json();

        self::assertSame(pathinfo($name, PATHINFO_FILENAME), $offered[0]['name']);
        self::assertNotNull($offered[0]['id']);
        self::assertEqualsWithDelta(3000, $offered[0]['length_ms'], 60);
        $this->get($offered[0]['url'])->assertOk()->assertHeader('Content-Type', 'audio/flac');
        self::assertSame([], $this->draftsLeft());
    }

    /** @return iterable<array{string, string}> */
    public static function kinds(): iterable
    {
        yield ['Oars.mp3', 'libmp3lame'];
        yield ['Oars.m4a', 'aac'];
        yield ['Oars.ogg', 'libvorbis'];
        yield ['Oars.flac', 'flac'];
        yield ['Oars.wav', 'pcm_s16le'];
    }

    public function test_what_is_no_music_is_refused_with_a_sentence_and_leaves_nothing(): void
    {
        $lesson = Lesson::factory()->create();
        $none = "{$this->mediaRoot}/none.mp3";
        file_put_contents($none, '#EXTM3U');
        $cut = "{$this->mediaRoot}/cut.wav";
        file_put_contents($cut, substr((string) file_get_contents($this->sound('sine=f=220:d=3', 'whole.wav', [])), 0, 40));
        foreach ([
            [$none, 'This is no music'],
            [$cut, 'music'],
            [$this->sound('anullsrc=d=3', 'silent.wav', []), 'Nothing is heard'],
            [$this->sound('sine=f=220:d=0.5', 'short.wav', []), 'shorter than a second'],
            [$this->sound('sine=f=220:d=900', 'long.mp3', ['-b:a', '32k']), 'This lasts 15 minutes.'],
            [Clips::pictureOnly(), 'nothing is heard in it'],
        ] as [$file, $says]) {
            $answer = $this->bringIn($lesson, $file, basename($file))->assertStatus(422);
            self::assertStringContainsString($says, $answer->json('detail'));
        }
        $this->postJson("/api/lessons/{$lesson->id}/music")->assertStatus(422);
        self::assertSame(0, Music::query()->count());
        self::assertSame([], $this->draftsLeft());
        $this->get('/api/music/'.str_repeat('0', 64))->assertNotFound();
    }

    public function test_music_that_was_brought_in_is_removed_and_brought_back(): void
    {
        $lesson = Lesson::factory()->create();
        $offered = $this->bringIn($lesson, $this->sound('sine=f=220:d=2', 'gone.wav', []), 'gone.wav')->json();
        [$id, $url] = [$offered[0]['id'], $offered[0]['url']];
        $names = fn (): array => array_column($this->getJson("/api/lessons/{$lesson->id}/music")->json(), 'name');
        $this->deleteJson("/api/music/{$id}")->assertNoContent();

        self::assertNotContains('gone', $names());
        $this->get($url)->assertOk();
        app(SaveScript::class)($lesson, Script::parse("## One\n\n[music: gone] One."), $lesson->revision);
        $says = array_column($this->getJson("/api/lessons/{$lesson->id}/script/ready")->json(), 'says');
        self::assertNotSame([], preg_grep('/no music called "gone"/', $says));
        $this->postJson("/api/music/{$id}/restore")->assertNoContent();
        self::assertContains('gone', $names());
        $this->deleteJson('/api/music/'.str_repeat('0', 26))->assertNotFound();
    }

    public function test_names_are_such_that_a_cue_can_say_them_and_a_course_shares_them(): void
    {
        $course = Course::query()->create(['name' => 'Reading the Water', 'style' => []]);
        [$lesson, $sister] = [Lesson::factory()->for($course)->create(), Lesson::factory()->for($course)->create()];
        $stranger = Lesson::factory()->create();
        $file = $this->sound('sine=f=220:d=2', 'named.wav', []);
        foreach (['Ebb, [slow] "a{b}" שלום.wav', 'none.wav', 'slack water.wav'] as $name) {
            $this->bringIn($lesson, $file, $name)->assertCreated();
        }
        $names = fn (Lesson $of): array => array_column($this->getJson("/api/lessons/{$of->id}/music")->json(), 'name');
        $shipped = ['Slack water', 'Morning ebb', 'Steady stroke'];

        self::assertSame(['slack water 2', 'Music', 'Ebb slow "a{b}" שלום', ...$shipped], $names($sister));
        self::assertSame($shipped, $names($stranger));
    }

    public function test_the_film_has_the_music_as_loud_as_the_plan_says_and_no_seam(): void
    {
        $lesson = $this->lesson('[music: tone, in 0.2 s, out 0.6 s]');
        // So quiet that the limiter has nothing to do.
        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => ['sound_target' => -23]])->assertOk();
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->assertOk()->json();
        [$bed] = $plan['music'];
        self::assertSame([0, 144_000], [$bed['at'], $bed['round']['until']]);
        self::assertSame($plan['frames'] * 1920, $bed['until']);
        $film = $this->film($lesson);

        // The voice lies below: what is left is the music, a third of a second at a time.
        $heard = $this->levels($film, 'bandpass=f=6000:w=200,bandpass=f=6000:w=200');
        $loud = new Envelope($bed['loud']);
        $tone = 20 * log10($loud->at(48_000)) - $heard[3];
        foreach ($heard as $n => $level) {
            [$from, $until] = [self::STEP * $n, self::STEP * ($n + 1)];
            if (abs($loud->at($from) - $loud->at($until)) < 0.01 * $loud->at($from)) {
                self::assertEqualsWithDelta(20 * log10($loud->at($from)), $level + $tone, 1.0, "at {$n} thirds of a second");
            }
        }
        // The card is alone; under speech it is 12 dB less.
        self::assertEqualsWithDelta(-12.0, $heard[15] - $heard[3], 1.0);
        self::assertLessThan($heard[15] - 12.0, $heard[count($heard) - 1], 'it goes with the film');
    }

    public function test_another_level_renders_no_picture_and_unknown_music_is_named(): void
    {
        $lesson = $this->lesson('[music: Slack water]');
        $this->film($lesson);
        $pictures = fn (): array => glob("{$this->mediaRoot}/renders/{shot,join}/*/*.mp4", GLOB_BRACE) ?: [];
        $before = $pictures();
        self::assertTrue($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
        $this->write($lesson, '[music: Slack water, -9 dB]');
        self::assertFalse($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
        $this->film($lesson);
        self::assertSame($before, $pictures());

        $this->write($lesson, '[music: Sea shanty]');
        $findings = array_column($this->getJson("/api/lessons/{$lesson->id}/script/ready")->json(), 'says');
        self::assertNotSame([], preg_grep('/There is no music called "Sea shanty"/', $findings));
        self::assertSame([], $this->getJson("/api/lessons/{$lesson->id}/assembly")->json('music'));
        $this->film($lesson);
    }

    public function test_cards_and_pages_are_heard_only_when_the_style_says_so(): void
    {
        $lesson = $this->lesson('');
        $names = fn (): array => array_column($this->getJson("/api/lessons/{$lesson->id}/assembly")->json('music'), 'name');
        self::assertSame([], $names());
        $style = ['card_sound' => 'on', 'page_sound' => 'on'];
        $this->patchJson("/api/lessons/{$lesson->id}/style", ['style' => $style])->assertOk();
        self::assertSame(['card', 'page'], $names());
        $this->film($lesson);
    }

    /** A card of four seconds, and a take of two and a half. */
    private function lesson(string $music): Lesson
    {
        $section = $this->section();
        $lesson = $section->lesson()->firstOrFail();
        $this->bringIn($lesson, $this->sound('sine=f='.self::HERTZ.':d=3', 'tone.wav', []), 'tone.wav')->assertCreated();
        $this->write($lesson, $music);
        $spoken = $lesson->sections()->get()[1];
        $this->keep($this->record($spoken, Clips::spoken()));

        return $lesson->refresh();
    }

    private function write(Lesson $lesson, string $music): void
    {
        $text = "# Tides\n\n## Opening\n\n[card: opening, 4 s] {$music}\n\n## Part\n\nThe tide comes in.\n";
        app(SaveScript::class)($lesson, Script::parse($text));
    }

    private function bringIn(Lesson $lesson, string $file, string $name): TestResponse
    {
        $copy = "{$this->mediaRoot}/upload-".bin2hex(random_bytes(4));
        copy($file, $copy);

        return $this->post(
            "/api/lessons/{$lesson->id}/music",
            ['file' => new UploadedFile($copy, $name, null, null, true)],
            ['Accept' => 'application/json'],
        );
    }

    /** @param  list<string>  $codec */
    private function sound(string $source, string $name, array $codec): string
    {
        $file = "{$this->mediaRoot}/{$name}";
        Program::run(['ffmpeg', '-v', 'error', '-y', '-f', 'lavfi', '-i', $source, ...$codec, $file]);

        return $file;
    }

    private function film(Lesson $lesson): string
    {
        $made = $this->postJson("/api/lessons/{$lesson->id}/exports")->assertAccepted()->json();
        self::assertSame('done', $made['state'], (string) $made['problem']);

        return $this->fileOf($this->get("/api/exports/{$made['id']}/file"))->getPathname();
    }

    /** @return list<float> dB of each third of a second, filtered */
    private function levels(string $film, string $filter): array
    {
        $pcm = Program::run([
            'ffmpeg', '-v', 'error', '-i', $film, '-af', $filter, '-ac', '1', '-f', 'f32le', '-',
        ])['output'];
        $levels = [];
        foreach (str_split($pcm, 4 * self::STEP) as $step) {
            $values = unpack('g*', $step) ?: [0.0];
            $power = array_sum(array_map(fn (float $v): float => $v * $v, $values)) / count($values);
            $levels[] = 10 * log10(max(1e-10, $power));
        }

        return $levels;
    }
}
