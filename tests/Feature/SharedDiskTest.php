<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Health\Doctor;
use App\Health\Finding;
use App\Media\MediaStore;
use App\Media\MissingFile;
use App\Media\Shared\DamagedCopy;
use App\Media\Shared\LocalCopies;
use App\Media\Shared\SharedDisk;
use App\MediaJobs\FlushUploadsJob;
use App\Upkeep\Upkeep;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;

/** What is whole lies on the disk that machines share; each keeps copies of what it uses, and nothing waits for it to record. */
final class SharedDiskTest extends FeatureTestCase
{
    private S3Server $server;

    protected function setUp(): void
    {
        parent::setUp();
        $this->server = S3Server::start("{$this->mediaRoot}-shared")->share();
    }

    protected function tearDown(): void
    {
        $this->server->stop();
        parent::tearDown();
    }

    public function test_a_take_moves_to_the_shared_disk_when_it_is_finished_and_the_film_is_made_from_there(): void
    {
        $take = $this->keep($this->record($this->section(), Clips::spoken()));
        $of = "lessons/{$take->section->lesson_id}/takes/{$take->id}";
        foreach (['media.webm', 'sound.flac', 'wave.json', 'levels.dat'] as $name) {
            self::assertContains("{$of}/{$name}", $this->onShared(), $name);
        }
        // What came from the recorder is not waited for, and goes as well.
        self::assertNotContains("{$of}/camera.part", $this->onShared());
        FlushUploadsJob::dispatchSync();
        self::assertContains("{$of}/camera.part", $this->onShared());
        self::assertSame(0, $this->media()->unsentFiles());

        // Another disk under this machine: everything is there as it was.
        $wave = $this->get("/api/takes/{$take->id}/wave")->assertOk()->streamedContent();
        $hash = hash_file('sha256', "{$this->mediaRoot}/{$of}/media.webm");
        File::deleteDirectory("{$this->mediaRoot}/lessons");
        File::deleteDirectory("{$this->mediaRoot}/renders");
        self::assertSame($wave, $this->get("/api/takes/{$take->id}/wave")->assertOk()->streamedContent());
        $export = $this->postJson("/api/lessons/{$take->section->lesson_id}/exports")->assertStatus(202)->assertJson([
            'state' => 'done',
        ])->json();
        self::assertSame($hash, hash_file('sha256', "{$this->mediaRoot}/{$of}/media.webm"));
        self::assertContains("lessons/{$take->section->lesson_id}/exports/{$export['id']}.mp4", $this->onShared());

        // What was deleted for good is gone there too.
        $this->deleteJson("/api/lessons/{$take->section->lesson_id}")->assertNoContent();
        $this->deleteJson("/api/lessons/{$take->section->lesson_id}/for-good")->assertNoContent();
        self::assertSame([], iterator_to_array(app(SharedDisk::class)->files('lessons')));
    }

    public function test_a_copy_that_is_not_what_was_put_there_is_not_used(): void
    {
        $this->media()->write('lessons/a/note.txt', 'High water at six');
        self::assertSame('High water at six', file_get_contents($this->server->fileOf('lessons/a/note.txt')));
        unlink("{$this->mediaRoot}/lessons/a/note.txt");
        file_put_contents($this->server->fileOf('lessons/a/note.txt'), 'High water at ten');
        try {
            $this->media()->path('lessons/a/note.txt');
            self::fail('It was used.');
        } catch (DamagedCopy $e) {
            self::assertStringContainsString('lessons/a/note.txt', $e->detail);
        }
        self::assertFileDoesNotExist("{$this->mediaRoot}/lessons/a/note.txt");
        self::assertSame([], $this->draftsLeft());
        file_put_contents($this->server->fileOf('lessons/a/note.txt'), 'High water at six');
        self::assertStringEqualsFile($this->media()->path('lessons/a/note.txt'), 'High water at six');
        self::assertFileDoesNotExist($this->media()->path('lessons/a/nobody-wrote-this.txt'));
    }

    public function test_a_machine_that_has_files_of_before_the_take_was_read_again_gets_those_of_now(): void
    {
        $name = 'lessons/a/takes/b/sound.flac';
        $this->media()->write($name, 'as it was');
        [$before, $now] = [hash('sha256', 'as it was'), hash('sha256', 'as it is')];
        $this->onMachine('other');
        self::assertStringEqualsFile($this->media()->original($name, $before), 'as it was');
        $this->onMachine('');
        $this->media()->write($name, 'as it is');
        $this->onMachine('other');
        self::assertStringEqualsFile($this->media()->path($name), 'as it was', 'so far it knows of nothing');
        self::assertStringEqualsFile($this->media()->original($name, $now), 'as it is');
        // What was planned for the file of before is not made of another one.
        $this->expectException(MissingFile::class);
        $this->media()->original($name, $before);
    }

    public function test_what_went_from_the_shared_disk_is_put_there_again_by_whoever_has_it(): void
    {
        $this->media()->write('renders/shot/ab/ab.mp4', 'a piece');
        app(SharedDisk::class)->remove('renders/shot/ab/ab.mp4');
        $this->media()->mustBeShared('renders/shot/ab/ab.mp4');
        $this->media()->mustBeShared('renders/shot/ab/nobody-has-this.mp4');
        self::assertSame(['renders/shot/ab/ab.mp4'], $this->onShared());
    }

    public function test_without_the_shared_disk_takes_are_recorded_and_read_and_it_gets_them_when_it_is_back(): void
    {
        $before = $this->record($this->section(), Clips::spoken());
        FlushUploadsJob::dispatchSync();
        $this->server->kill();
        $take = $this->record($this->section(), Clips::anotherTake());
        self::assertSame('ready', $take->state->value);
        $lesson = $take->section->lesson;
        $picture = UploadedFile::fake()->image('tide.png', 320, 180);
        $this->post("/api/lessons/{$lesson->id}/slides", ['files' => [$picture]])->assertSuccessful();
        self::assertGreaterThanOrEqual(6, $waiting = $this->media()->unsentFiles());
        self::assertNotSame('good', $this->found()->verdict->value);
        self::assertStringContainsString("{$waiting} files are still on their way", $this->found()->says);

        // What is not here waits, with a sentence.
        File::deleteDirectory("{$this->mediaRoot}/{$before->folder()}");
        $this->getJson("/api/takes/{$before->id}/wave")->assertStatus(503)->assertJsonPath(
            'detail', 'The disk that the servers share does not answer, so this has to wait. Nothing recorded is lost.',
        );
        FlushUploadsJob::dispatchSync();
        self::assertSame($waiting, $this->media()->unsentFiles());

        $this->server->startAgain();
        $this->travel(11)->seconds();
        app(Upkeep::class)();
        self::assertSame(0, $this->media()->unsentFiles());
        self::assertSame('It has everything.', $this->found()->says);
        $this->get("/api/takes/{$before->id}/wave")->assertOk();
        self::assertContains("{$take->folder()}/sound.flac", $this->onShared());
        self::assertContains((string) $lesson->slides()->value('path'), $this->onShared());
    }

    public function test_what_was_made_before_there_was_one_is_put_there(): void
    {
        config(['filesystems.disks.shared.driver' => '']);
        $this->app->forgetInstance(SharedDisk::class);
        $this->app->forgetInstance(MediaStore::class);
        $take = $this->record($this->section(), Clips::spoken());
        $this->artisan('reel:share')->assertFailed();
        $this->server->share();
        self::assertSame([], $this->onShared());
        $this->artisan('reel:share')->expectsOutputToContain('It has everything.')->assertSuccessful();
        foreach (['camera.part', 'media.webm', 'sound.flac'] as $name) {
            self::assertContains("{$take->folder()}/{$name}", $this->onShared());
        }
        $this->artisan('reel:share')->expectsOutputToContain('0 files')->assertSuccessful();
    }

    public function test_copies_that_are_not_used_go_and_what_only_this_machine_has_stays(): void
    {
        foreach (['old', 'used', 'new'] as $name) {
            $this->media()->write("lessons/a/{$name}.txt", str_repeat($name, 1000));
        }
        $this->server->kill();
        $this->media()->write('lessons/a/only-here.txt', str_repeat('here', 1000));
        $this->server->startAgain();
        foreach (['old', 'used', 'only-here'] as $name) {
            touch("{$this->mediaRoot}/lessons/a/{$name}.txt", time() - 86_400, time() - 86_400);
        }
        // A use counts, and does not make a file younger.
        $this->media()->path('lessons/a/used.txt');
        self::assertSame(time() - 86_400, filemtime("{$this->mediaRoot}/lessons/a/used.txt"));

        self::assertSame(0, app(LocalCopies::class)->sweep(1_000_000), 'there is room');
        self::assertSame(3000, app(LocalCopies::class)->sweep(0));
        self::assertSame(
            ['new.txt', 'only-here.txt', 'used.txt'], array_map(basename(...), glob("{$this->mediaRoot}/lessons/a/*") ?: []),
        );
        self::assertStringEqualsFile($this->media()->path('lessons/a/old.txt'), str_repeat('old', 1000));
    }

    /** Another folder, the same shared disk; without a name the one with the database. */
    private function onMachine(string $name): void
    {
        config(['reel.has_database' => $name === '', 'filesystems.disks.media.root' => "{$this->mediaRoot}/{$name}"]);
        Storage::forgetDisk('media');
        $this->app->forgetInstance(MediaStore::class);
    }

    /** @return list<string> */
    private function onShared(): array
    {
        return array_keys(iterator_to_array(app(SharedDisk::class)->files('')));
    }

    private function found(): Finding
    {
        return array_column(app(Doctor::class)->quickly(), null, 'about')['shared disk'];
    }
}
