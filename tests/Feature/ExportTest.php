<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\ExportLesson;
use App\Actions\Film\RequestExport;
use App\Actions\Takes\IngestTake;
use App\Jobs\ExportLessonJob;
use App\Media\DiskFull;
use App\Media\Encoder;
use App\Media\FfmpegEncoder;
use App\Media\FfprobeProber;
use App\Media\MediaStore;
use App\Media\PieceRenderer;
use App\Media\Prober;
use App\Media\Program;
use App\Media\ProgramFailed;
use App\Media\ProgramKilled;
use App\Media\ScriptReader;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\WorkState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Take\TakeState;
use PHPUnit\Framework\Attributes\DataProvider;

final class ExportTest extends FeatureTestCase
{
    public function test_the_film_is_what_the_plan_says(): void
    {
        $lesson = $this->lesson();
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")
            ->assertOk()
            ->json();
        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertAccepted()
            ->json();

        self::assertSame('done', $export['state'], (string) $export['problem']);
        self::assertSame(
            [true, true, true, true, true, true],
            array_column($export['findings'], 'ok'),
            (string) json_encode($export['findings']),
        );
        $facts = app(Prober::class)->export($this->film($export['id']));
        self::assertSame($plan['frames'], $facts->frames);
        self::assertSame([320, 180], [$facts->width, $facts->height]);
        self::assertSame(2, $facts->chapters);
        self::assertEqualsWithDelta($plan['length_ms'] / 1000, $facts->soundSeconds, 0.03);
        self::assertSame('', $this->warnings($this->film($export['id'])));
        self::assertTrue($export['up_to_date']);
    }

    public function test_it_is_offered_for_download_under_the_title(): void
    {
        $lesson = $this->lesson();
        $lesson->update(['title' => 'Tides: "high"; $(low) 🌊']);
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');

        $answer = $this->get("/api/exports/{$id}/file?download")->assertOk();
        self::assertStringContainsString(
            "filename*=utf-8''Tides%20%20high%20",
            str_replace('%20high%20%3B', '%20%20high%20', (string) $answer->headers->get('Content-Disposition')),
        );
        $this->get("/api/exports/{$id}/file", ['Range' => 'bytes=0-9'])->assertStatus(206);
        self::assertStringContainsString(
            'Tides: "high"; $(low) 🌊',
            Program::run(['ffprobe', '-v', 'error', '-show_entries', 'format_tags=title', $this->film($id)])['output'],
        );
    }

    public function test_captions_chapters_and_transcript_lie_beside_it_and_say_what_it_says(): void
    {
        $lesson = $this->lesson();
        $lesson->update(['title' => 'Tides: "high"; $(low) 🌊']);
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $beside = array_column($this->getJson("/api/exports/{$id}")->json('beside'), 'url', 'kind');
        self::assertSame([
            'captions.vtt', 'captions.srt', 'chapters.vtt', 'chapters.txt', 'transcript.txt',
            'transcript.html', 'script.md', 'transcript.docx', 'thumbnail.jpg', 'thumbnail-small.jpg',
            'thumbnail-title.jpg', 'sound.m4a', 'sound.mp3',
        ], array_keys($beside));
        $file = fn (string $kind): string => $this->fileOf($this->get($beside[$kind])->assertOk())->getPathname();
        $text = fn (string $kind): string => (string) file_get_contents($file($kind));

        // What others read in it is what was written.
        foreach (['captions.vtt' => 'webvtt', 'captions.srt' => 'srt'] as $kind => $format) {
            $found = Program::run([
                'ffprobe', '-v', 'error', '-f', $format,
                '-show_entries', 'packet=pts_time,duration_time', '-of', 'json', $file($kind),
            ])['output'];
            $packets = json_decode($found, true)['packets'];
            self::assertNotSame([], $packets);
            $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
            $last = end($packets);
            self::assertLessThanOrEqual($plan['length_ms'] / 1000 + 1, $last['pts_time'] + $last['duration_time']);
        }
        self::assertStringStartsWith("WEBVTT\n\n1\n00:00:00.000 --> ", $text('chapters.vtt'));
        self::assertSame(2, substr_count($text('chapters.vtt'), '-->'));
        self::assertStringStartsWith("Tides: \"high\"; $(low) 🌊\n\n", $text('transcript.txt'));
        $header = (string) $this->get($beside['captions.vtt'].'?download')->headers->get('Content-Disposition');
        self::assertStringContainsString('captions.vtt', $header);
        self::assertStringContainsString('text/vtt', (string) $this->get($beside['captions.vtt'])->headers->get('Content-Type'));
        $this->get("/api/exports/{$id}/beside/passwd")->assertNotFound();
        self::assertStringStartsWith('0:00 ', (string) file_get_contents($file('chapters.txt')));
        $prober = fn (string $kind): array => json_decode(Program::run([
            'ffprobe', '-v', 'error', '-show_entries', 'stream=codec_name,width:format=duration', '-show_chapters', '-of', 'json',
            $file($kind),
        ])['output'], true);
        foreach (['thumbnail.jpg', 'thumbnail-small.jpg', 'thumbnail-title.jpg'] as $kind) {
            self::assertSame(320, $prober($kind)['streams'][0]['width']);
        }
        self::assertNotSame(md5($text('thumbnail.jpg')), md5($text('thumbnail-title.jpg')));
        self::assertSame(['aac', 2], [$prober('sound.m4a')['streams'][0]['codec_name'], count($prober('sound.m4a')['chapters'])]);
        self::assertEqualsWithDelta(
            (float) $prober('sound.m4a')['format']['duration'], (float) $prober('sound.mp3')['format']['duration'], 0.1,
        );
        self::assertSame('mp3', $prober('sound.mp3')['streams'][0]['codec_name']);

        // A word processor reads it, headings and all.
        $draft = $this->media()->copied($file('transcript.docx'), 'docx');
        $read = app(ScriptReader::class)->read($draft, 'transcript.docx');
        unlink($draft);
        self::assertStringStartsWith('## Tides: "high"; $(low) 🌊', $read);
        self::assertSame(2, substr_count($read, "\n## "));
        self::assertStringContainsString('Find the day.', $read);
        $page = new \DOMDocument();
        self::assertTrue(@$page->loadHTML($text('transcript.html')));
        $path = new \DOMXPath($page);
        self::assertSame('Tides: "high"; $(low) 🌊', $path->evaluate('string(//h1)'));
        self::assertStringStartsWith('0:0', $path->evaluate('string(//section[1]/p[1]/time)'));

        // They stay as they were when the lesson goes on.
        $before = $text('transcript.txt');
        $lesson->update(['title' => 'Another']);
        self::assertSame($before, $text('transcript.txt'));
    }

    public function test_a_handout_has_the_slides_with_what_is_said_to_them(): void
    {
        $lesson = $this->lesson();
        foreach (['one', 'three'] as $layout) {
            $answer = $this->get("/api/lessons/{$lesson->id}/handout.pdf?layout={$layout}")->assertOk();
            $pdf = $this->fileOf($answer)->getPathname();
            $words = Program::run(['pdftotext', '-layout', $pdf, '-'])['output'];
            self::assertStringContainsString('Find the day. Then find the first high water.', $words);
            self::assertStringContainsString($lesson->title, $words);
            self::assertStringContainsString('image', Program::run(['pdfimages', '-list', $pdf])['output']);
            unlink($pdf);
        }
        self::assertSame([], $this->draftsLeft());
        $this->getJson("/api/lessons/{$lesson->id}/handout.pdf?layout=whatever")->assertStatus(422);
        $this->getJson("/api/lessons/{$this->section()->lesson_id}/handout.pdf")->assertStatus(409);
    }

    public function test_for_another_editor_the_cuts_come_with_the_files_they_name(): void
    {
        $lesson = $this->lesson();
        $sent = $this->fileOf($this->get("/api/lessons/{$lesson->id}/edit.zip")->assertOk())->getPathname();
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($sent));
        $plan = $this->getJson("/api/lessons/{$lesson->id}/assembly")->json();
        $otio = json_decode((string) $zip->getFromName('edit.otio'), true, flags: JSON_THROW_ON_ERROR);
        $presenter = $otio['tracks']['children'][0]['children'];
        $frames = array_map(fn (array $c): float => $c['source_range']['duration']['value'] ?? 0.0, $presenter);
        self::assertSame((float) $plan['frames'], array_sum($frames));
        foreach ($otio['tracks']['children'] as $track) {
            foreach (array_filter($track['children'], fn (array $c): bool => $c['OTIO_SCHEMA'] === 'Clip.1') as $clip) {
                $name = rawurldecode($clip['media_reference']['target_url']);
                self::assertNotFalse($zip->locateName($name), $name);
            }
        }
        preg_match_all('/^\d{3}  \S+ +V .* (01:\S+) 01:\S+\r?$/m', (string) $zip->getFromName('edit.edl'), $rows);
        self::assertSame(
            array_map(
                fn (int $at): string => sprintf('01:00:%02d:%02d', intdiv($at, 25), $at % 25),
                array_column($plan['segments'], 'start_frame'),
            ),
            array_values(array_unique($rows[1])),
        );
        $this->get("/api/lessons/{$this->section()->lesson_id}/edit.zip")->assertStatus(409);
    }

    public function test_another_picture_becomes_the_thumbnail(): void
    {
        $lesson = $this->lesson();
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $picture = fn (): string => (string) file_get_contents(
            $this->fileOf($this->get("/api/exports/{$id}/beside/thumbnail.jpg")->assertOk())->getPathname(),
        );
        $before = $picture();
        $this->putJson("/api/exports/{$id}/thumbnail", ['at_ms' => 3_600_000])->assertOk();
        self::assertNotSame($before, $picture(), 'its last picture');
        $this->putJson("/api/exports/{$id}/thumbnail", ['at_ms' => 'soon'])->assertStatus(422);
    }

    public function test_all_of_it_in_one_archive_with_a_page_that_needs_no_server(): void
    {
        $lesson = $this->lesson();
        $lesson->update(['title' => 'A "tide" & <more> 🌊']);
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $sent = $this->fileOf($this->get("/api/exports/{$id}/all.zip")->assertOk())->getPathname();
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($sent));
        $names = array_map(fn (int $n): string => (string) $zip->getNameIndex($n), range(0, $zip->numFiles - 1));
        $film = (string) current(preg_grep('/\.mp4$/', $names) ?: []);
        self::assertSame(
            file_get_contents($this->film($id)),
            $zip->getFromName($film),
        );
        self::assertSame([], array_diff(['index.html', 'captions.vtt', 'script.md', 'sound.mp3', 'thumbnail.jpg'], $names));
        $page = (string) $zip->getFromName('index.html');
        self::assertStringContainsString('A &quot;tide&quot; &amp; &lt;more&gt; 🌊', $page);
        self::assertStringContainsString('src="'.rawurlencode($film).'"', $page);
        self::assertDoesNotMatchRegularExpression('#(?:src|href)="(?:/|https?:)#', $page, 'it needs nothing from elsewhere');
        $this->get('/api/exports/nothing/all.zip')->assertNotFound();

        $package = $this->fileOf($this->get("/api/exports/{$id}/scorm.zip")->assertOk())->getPathname();
        self::assertTrue($zip->open($package));
        $manifest = (string) $zip->getFromName('imsmanifest.xml');
        preg_match_all('/<file href="([^"]+)"/', $manifest, $listed);
        $packed = array_map(fn (int $n): string => (string) $zip->getNameIndex($n), range(0, $zip->numFiles - 1));
        self::assertEqualsCanonicalizing(
            array_values(array_diff($packed, ['imsmanifest.xml'])),
            array_map(fn (string $f): string => rawurldecode(htmlspecialchars_decode($f, ENT_QUOTES)), $listed[1]),
        );
        self::assertStringContainsString('LMSInitialize', (string) $zip->getFromName('index.html'));
        self::assertStringNotContainsString('LMSInitialize', $page);
        self::assertTrue($zip->open($this->fileOf($this->get("/api/exports/{$id}/cmi5.zip")->assertOk())->getPathname()));
        self::assertStringContainsString('<url>index.html</url>', (string) $zip->getFromName('cmi5.xml'));
        self::assertFalse($zip->getFromName('imsmanifest.xml'));
        self::assertStringContainsString('LMS.LaunchData', (string) $zip->getFromName('index.html'));
        $this->get("/api/exports/{$id}/else.zip")->assertNotFound();
    }

    public function test_a_second_export_renders_only_what_changed(): void
    {
        $lesson = $this->lesson();
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
        $commands = $this->spyOnEncoder();

        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
        $done = array_values(array_diff($commands->kinds(), ['beside']));
        self::assertSame(['join'], $done, 'nothing changed: only joining');

        $commands->clear();
        Queue::fake();
        $section = $lesson->sections()->firstOrFail();
        $this->keep($section->takes()->where('number', 2)->firstOrFail());
        self::assertFalse($this->getJson("/api/lessons/{$lesson->id}/exports")->json('0.up_to_date'));
        $export = RequestExport::row($lesson);
        app(ExportLesson::class)($export);
        self::assertSame(1, $commands->count('segment'));
        self::assertSame(WorkState::Done, $export->refresh()->state);
    }

    public function test_keeping_a_take_renders_its_segment_in_the_background(): void
    {
        $lesson = $this->lesson();

        $this->getJson("/api/lessons/{$lesson->id}/assembly")->assertJson(['rendered' => 2]);
        $this->patchJson('/api/sections/'.$lesson->sections()->firstOrFail()->id, ['layout' => 'slide-alone'])->assertOk();
        $this->getJson("/api/lessons/{$lesson->id}/assembly")
            ->assertJson(['rendered' => 2])
            ->assertJsonPath(
                'segments.0.shots.0.picture.layers',
                fn (array $layers): bool => array_column($layers, 'shows') === ['slide'],
            );
    }

    public function test_with_nothing_kept_there_is_nothing_to_export(): void
    {
        $this->postJson("/api/lessons/{$this->section()->lesson_id}/exports")
            ->assertConflict()
            ->assertJsonPath('detail', fn (string $says): bool => str_starts_with($says, 'No section has a kept take yet'));
    }

    public function test_a_film_waits_for_what_is_kept_and_not_read_yet(): void
    {
        $take = $this->record($section = $this->section(), Clips::spoken());
        $this->keep($take);
        config(['queue.default' => 'database']);
        $this->postJson("/api/takes/{$take->id}/read-again")->assertOk();
        self::assertSame(TakeState::Ingesting, $take->refresh()->state);

        $id = $this->postJson("/api/lessons/{$section->lesson_id}/exports")->assertStatus(202)->json('id');
        $work = fn () => $this->artisan('queue:work', ['--queue' => 'default', '--once' => true])->assertSuccessful();
        $work();
        $this->getJson("/api/exports/{$id}")->assertJson([
            'state' => 'waiting', 'doing' => "Waiting until take 1 of \"{$section->heading}\" is read",
        ]);
        $this->getJson("/api/lessons/{$section->lesson_id}")
            ->assertJsonFragment(['says' => 'kept, being read', 'reading' => $take->id]);
        $take->update(['problem' => 'The disk is full.']);
        $this->travel(5)->seconds();
        $work();
        $this->getJson("/api/exports/{$id}")->assertJson([
            'doing' => "Waiting for take 1 of \"{$section->heading}\": The disk is full.",
        ]);

        app(IngestTake::class)($take->refresh());
        $this->travel(10)->seconds();
        $work();
        $this->getJson("/api/exports/{$id}")->assertJson(['state' => 'done', 'problem' => null, 'findings' => []]);
    }

    public function test_asking_twice_gives_the_same_export(): void
    {
        $lesson = $this->lesson();
        Queue::fake();
        $first = $this->postJson("/api/lessons/{$lesson->id}/exports")
            ->assertAccepted()
            ->json('id');

        self::assertSame($first, $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id'));
        $this->get("/api/exports/{$first}/file")->assertNotFound();
        Queue::assertPushed(ExportLessonJob::class, 1);
    }

    public function test_a_cancelled_export_stops_and_stays_cancelled(): void
    {
        $lesson = $this->lesson();
        Queue::fake();
        $id = $this->postJson("/api/lessons/{$lesson->id}/exports")->json('id');
        $this->postJson("/api/exports/{$id}/cancel")->assertJson(['state' => 'cancelled']);

        app()->call([new ExportLessonJob($id), 'handle']);
        self::assertSame(WorkState::Cancelled, Export::query()->findOrFail($id)->state);
    }

    public function test_cancelling_in_the_middle_stops_the_encoder_and_leaves_no_drafts(): void
    {
        $lesson = $this->lesson();
        $lesson
            ->sections()
            ->get()
            ->each(fn (Section $s) => $this->patchJson("/api/sections/{$s->id}", ['inset_size' => 'large'])->assertOk());
        $export = RequestExport::row($lesson);
        $commands = $this->spyOnEncoder(before: fn () => Export::query()->update(['state' => WorkState::Cancelled]));

        app()->call([new ExportLessonJob($export->id), 'handle']);

        self::assertSame(WorkState::Cancelled, $export->refresh()->state);
        self::assertLessThan(2, $commands->count('segment'));
        self::assertSame([], $this->draftsLeft());
    }

    public function test_what_was_stopped_with_the_server_goes_on(): void
    {
        $lesson = $this->lesson();
        $this->patchJson("/api/sections/{$lesson->sections()->firstOrFail()->id}", ['inset_size' => 'large'])->assertOk();
        $export = RequestExport::row($lesson);
        $good = app(Encoder::class);
        $this->useEncoder($this->failing($good, ProgramKilled::running(['ffmpeg'], 255)));
        try {
            app()->call([new ExportLessonJob($export->id), 'handle']);
            self::fail('The queue has to hear of it, so that it hands the job out again.');
        } catch (ProgramKilled) {
            self::assertSame(WorkState::Running, $export->refresh()->state);
        }
        $this->useEncoder($good);
        app()->call([new ExportLessonJob($export->id), 'handle']);
        self::assertSame(WorkState::Done, $export->refresh()->state);
        self::assertSame([], $this->draftsLeft());
    }

    /** @return iterable<string, array{\Throwable|null, string}> */
    public static function trouble(): iterable
    {
        yield 'ffmpeg fails' => [ProgramFailed::running(['ffmpeg', '-secret'], 1, 'Invalid data'), 'Your takes are safe'];
        yield 'the disk is full' => [DiskFull::writing('the film'), "The server's disk is full"];
        yield 'ffmpeg is missing' => [null, 'not installed on the server'];
    }

    #[DataProvider('trouble')]
    public function test_trouble_is_said_plainly_and_the_next_try_succeeds(?\Throwable $trouble, string $says): void
    {
        $lesson = $this->lesson();
        $lesson
            ->sections()
            ->get()
            ->each(fn (Section $s) => $this->patchJson("/api/sections/{$s->id}", ['inset_size' => 'large'])->assertOk());
        $good = app(Encoder::class);
        $bad = $trouble === null ? new FfmpegEncoder('/nowhere/ffmpeg') : $this->failing($good, $trouble);
        $this->useEncoder($bad);

        $answer = $this->postJson("/api/lessons/{$lesson->id}/exports");
        $problem = (string) ($answer->json('problem') ?? $answer->json('detail'));
        self::assertStringContainsString($says, $problem);
        self::assertStringNotContainsString('-secret', $problem);
        self::assertSame([], $this->draftsLeft(), 'nothing half-written is left');
        self::assertSame([], glob($this->mediaRoot.'/lessons/*/exports/*'));

        $this->useEncoder($good);
        $this->postJson("/api/lessons/{$lesson->id}/exports")->assertJson(['state' => 'done']);
    }

    public function test_a_worker_killed_in_the_middle_is_followed_by_another_that_goes_on(): void
    {
        $lesson = $this->lesson();
        $export = RequestExport::row($lesson);
        $export->update(['state' => WorkState::Running, 'progress' => 0.4, 'doing' => 'Rendering the sections']);
        file_put_contents($this->media()->draft('mp4'), 'half a film');

        app()->call([new ExportLessonJob($export->id), 'handle']);

        self::assertSame(WorkState::Done, $export->refresh()->state);
        self::assertStringNotContainsString('half', (string) file_get_contents($this->film($export->id), length: 2000));
    }

    public function test_takes_of_every_kind_stand_in_one_film(): void
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180, 'fps' => 30]);
        $clips = [
            Clips::spoken(),
            Clips::soundOnly(),
            Clips::pictureOnly(),
            Clips::stereoWav(),
            Clips::phone(),
            Clips::changingSize(),
            Clips::silent(),
        ];
        foreach ($clips as $index => $clip) {
            $section = Section::factory()
                ->for($lesson)
                ->create([
                    'position' => $index + 1,
                    'heading' => '',
                    'script' => $index % 2 ? '[layout: camera alone] Hello.' : 'Hello.',
                ]);
            $this->keep($this->record($section, $clip));
        }

        $export = $this->postJson("/api/lessons/{$lesson->id}/exports")->json();
        self::assertSame('done', $export['state'], (string) $export['problem']);
        self::assertSame(
            [true, true, true, true],
            array_slice(array_column($export['findings'], 'ok'), 0, 4),
            (string) json_encode($export['findings']),
        );
        self::assertSame('', $this->warnings($this->film($export['id'])));
    }

    /** Two sections with slides; the first has two takes. All that is kept is rendered. */
    private function lesson(): Lesson
    {
        $lesson = Lesson::factory()->create(['width' => 320, 'height' => 180]);
        foreach ([[Clips::spoken(), Clips::anotherTake()], [Clips::anotherTake()]] as $index => $clips) {
            $section = Section::factory()
                ->for($lesson)
                ->create(['position' => $index + 1, 'heading' => 'Part '.($index + 1)]);
            $slide = UploadedFile::fake()->createWithContent('slide.png', (string) file_get_contents(Clips::slide()));
            $this->post("/api/lessons/{$lesson->id}/slides", ['files' => [$slide], 'section' => $section->id])->assertCreated();
            $takes = array_map(fn (string $clip) => $this->record($section, $clip), $clips);
            $this->keep($takes[0]);
        }

        return $lesson;
    }

    private function film(string $export): string
    {
        return $this->media()->path((string) Export::query()->findOrFail($export)->path);
    }

    private function warnings(string $file): string
    {
        return Program::run(['ffmpeg', '-v', 'warning', '-i', $file, '-f', 'null', '-'])['log'];
    }

    private function spyOnEncoder(?\Closure $before = null): EncoderSpy
    {
        $spy = new EncoderSpy(app(Encoder::class), $before);
        $this->useEncoder($spy);

        return $spy;
    }

    private function failing(Encoder $good, \Throwable $trouble): Encoder
    {
        return new EncoderSpy($good, fn () => throw $trouble);
    }

    private function useEncoder(Encoder $encoder): void
    {
        app()->instance(Encoder::class, $encoder);
        app()->instance(Prober::class, new FfprobeProber('ffprobe'));
        app()->forgetInstance(PieceRenderer::class);
        app()->forgetInstance(MediaStore::class);
    }
}
