<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\KeepResult;
use App\Media\MediaStore;
use App\Media\Program;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use OpenReel\Core\Take\AlignmentStatus;
use OpenReel\Core\Take\FormerTake;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The application with an empty database in memory and an empty media disk; jobs run at once, with the real ffmpeg. */
abstract class FeatureTestCase extends TestCase
{
    use RefreshDatabase;

    protected string $mediaRoot;

    public function createApplication(): Application
    {
        $this->standApart();
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }

    /** Tests that run side by side have locks, logs and caches of their own; what they start finds these too. */
    private function standApart(): void
    {
        $token = getenv('TEST_TOKEN');
        if ($token === false || getenv('LARAVEL_STORAGE_PATH') !== false) {
            return;
        }
        $storage = sys_get_temp_dir().'/reel-storage-'.getmypid();
        foreach (['framework/locks', 'framework/cache/data', 'framework/views', 'framework/sessions', 'logs'] as $folder) {
            is_dir("{$storage}/{$folder}") || mkdir("{$storage}/{$folder}", recursive: true);
        }
        putenv("LARAVEL_STORAGE_PATH={$storage}");
        $_ENV['LARAVEL_STORAGE_PATH'] = $storage;
        register_shutdown_function(fn () => (new \Illuminate\Filesystem\Filesystem)->deleteDirectory($storage));
    }

    /**
     * Sections of a lesson as the API tells them, each with all its takes in full.
     *
     * @return list<array<string, mixed>>
     */
    protected function toldSections(string $lesson): array
    {
        $sections = $this->getJson("/api/lessons/{$lesson}")->assertOk()->json('sections');

        return array_values(array_map(fn (array $s): array => ['takes' => $this->toldTakes($s['id'])] + $s, $sections));
    }

    /** @return list<array<string, mixed>> all takes of a section as the API tells them, by number */
    protected function toldTakes(string $section): array
    {
        return $this->getJson("/api/sections/{$section}/takes")->assertOk()->json();
    }

    protected function setUp(): void
    {
        parent::setUp();
        // As the interface says it.
        $this->withServerVariables(['HTTP_X_OPEN_REEL' => '1']);
        $this->mediaRoot = sys_get_temp_dir().'/reel-media-'.getmypid();
        config(['filesystems.disks.media.root' => $this->mediaRoot, 'reel.reserve_bytes' => 0]);
        File::makeDirectory($this->mediaRoot, recursive: true, force: true);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->mediaRoot);
        parent::tearDown();
    }

    /** @return list<string> files that were being made and are still there */
    protected function draftsLeft(): array
    {
        return glob($this->mediaRoot.'/drafts/*/*') ?: [];
    }

    protected function media(): MediaStore
    {
        return app(MediaStore::class);
    }

    protected function section(): Section
    {
        return Section::factory()
            ->for(Lesson::factory()->state(['width' => 320, 'height' => 180]))
            ->create();
    }

    /** Records a take the way the browser does: in chunks. */
    protected function record(Section $section, string $file, int $chunkBytes = 20_000, string $kind = 'camera'): Take
    {
        $take = $this->postJson("/api/sections/{$section->id}/takes", ['tracks' => [['kind' => $kind, 'mime' => 'video/webm']]])
            ->assertCreated()
            ->json();
        $track = $take['tracks'][0]['id'];
        $bytes = (string) file_get_contents($file);
        $chunks = str_split($bytes, max(1, $chunkBytes));
        foreach ($chunks as $number => $chunk) {
            $this->sendChunk($track, $number, $chunk)
                ->assertOk()
                ->assertJson(['next' => $number + 1]);
        }
        $this->postJson("/api/takes/{$take['id']}/finish", [
            'tracks' => [['id' => $track, 'chunks' => count($chunks), 'bytes' => strlen($bytes)]],
        ])->assertOk();

        return Take::query()->findOrFail($take['id']);
    }

    protected function sendChunk(string $track, int $number, string $bytes, ?string $sha256 = null): TestResponse
    {
        return $this->call(
            'PUT',
            "/api/tracks/{$track}/chunks/{$number}",
            server: [
                'HTTP_ACCEPT' => 'application/json',
                'HTTP_X_CHUNK_SHA256' => $sha256 ?? hash('sha256', $bytes),
            ],
            content: $bytes,
        );
    }

    /** @param  callable(): bool  $true */
    protected function waitUntil(callable $true, float $seconds): void
    {
        for ($end = microtime(true) + $seconds; ! $true() && microtime(true) < $end;) {
            usleep(50_000);
        }
    }

    /** The file that an answer gives. */
    /** Why a file that was brought in is no slide: said at once, or when it was made. */
    protected static function refusal(TestResponse $answer): string
    {
        return (string) ($answer->json('refused.0') ?? $answer->json('decks.0.problem'));
    }

    protected function fileOf(TestResponse $answer): \SplFileInfo
    {
        self::assertInstanceOf(BinaryFileResponse::class, $answer->baseResponse);

        return $answer->baseResponse->getFile();
    }

    /** @return list<float> how light each frame is, 16 to 235 */
    protected function light(string $film): array
    {
        $print = 'signalstats,metadata=print:key=lavfi.signalstats.YAVG:file=-';
        $said = Program::run(['ffmpeg', '-v', 'error', '-i', $film, '-vf', $print, '-f', 'null', '-'])['output'];
        preg_match_all('/YAVG=([\d.]+)/', $said, $light);

        return array_map(floatval(...), $light[1]);
    }

    protected function keep(Take $take): Take
    {
        $this->patchJson("/api/takes/{$take->id}", ['verdict' => 'kept'])->assertOk();

        return $take->refresh();
    }

    /**
     * Has a take said to say something, as if it had been heard so.
     *
     * @param  array<string, mixed>  $heard  by the names of FormerTake, over what is known of it
     */
    protected function heard(Take $take, array $heard): void
    {
        $known = $take->refresh()->summary;
        $former = new FormerTake((array) json_decode((string) json_encode($heard + [
            'hearing' => AlignmentStatus::Sure,
            'lines' => $take->lines,
            'length_ticks' => $known->length_ticks,
            'speech_from' => $known->speech_from,
            'speech_until' => $known->speech_until,
            'line_ticks' => $known->starts,
            'cut_ticks' => $known->cut_points,
            'flags' => $known->flags,
        ]), true));
        app(KeepResult::class)->alignment($take, $former->alignment() ?? throw new \LogicException('Nothing was heard.'));
    }
}
