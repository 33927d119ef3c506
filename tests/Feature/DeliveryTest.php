<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\DeliverFilmJob;
use App\Models\Course;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\WorkState;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;

/** Films in the folder of a course site of one's own. */
final class DeliveryTest extends FeatureTestCase
{
    private string $lesson;

    public function test_without_a_folder_nothing_is_offered_or_sent(): void
    {
        $this->lessonCalled('Tides');
        $this->getJson("/api/lessons/{$this->lesson}/delivery")
            ->assertExactJson(['folder' => null, 'there' => null, 'last' => null]);
        $this->send($this->export())->assertNotFound()
            ->assertJson(['detail' => 'No folder of a course site is set up here. Ask whoever looks after this server.']);
        self::assertSame(0, Delivery::query()->count());
    }

    public function test_each_version_lies_in_a_folder_of_its_own_behind_a_page_that_stays(): void
    {
        $site = $this->folder();
        $this->lessonCalled('Tides: "high" & low');
        $first = $this->export();
        $answer = $this->send($first)->assertStatus(202)->assertJsonPath('there.number', 1)->assertJsonPath('last.state', 'done');
        $answer->assertJsonPath('there.url', 'https://learn.saltmarsh.example/films/reading-the-water/tides-high-low/index.html');
        self::assertSame('the harbour site', $answer->json('folder'));
        $files = $site->allFiles();
        foreach (['captions.vtt', 'chapters.vtt', 'transcript.txt', 'thumbnail.jpg', 'Tides high & low.mp4'] as $name) {
            self::assertContains("reading-the-water/tides-high-low/v1/{$name}", $files);
        }
        $film = Export::query()->findOrFail($first);
        self::assertSame(
            $this->media()->hash((string) $film->path),
            hash('sha256', (string) $site->get('reading-the-water/tides-high-low/v1/Tides high & low.mp4')),
        );
        $page = $this->page($site, 'reading-the-water/tides-high-low');
        self::assertStringContainsString('src="v1/Tides%20high%20%26%20low.mp4"', $page);

        // Sent twice, it is there once.
        $this->send($first)->assertJsonPath('there.number', 1);
        self::assertSame(1, Delivery::query()->count());

        // Called otherwise, it stays where viewers have found it; what was there before is kept.
        $this->patchJson("/api/lessons/{$this->lesson}", ['title' => 'Ebb'])->assertOk();
        $this->send($this->export())
            ->assertJsonPath('there.number', 2)
            ->assertJsonPath('there.path', 'reading-the-water/tides-high-low');
        self::assertStringContainsString('src="v2/Ebb.mp4"', $this->page($site, 'reading-the-water/tides-high-low'));
        $site->assertExists('reading-the-water/tides-high-low/v1/Tides high & low.mp4');
    }

    public function test_lessons_of_one_name_do_not_meet(): void
    {
        $site = $this->folder();
        foreach (['tides', 'tides-2'] as $folder) {
            $this->lessonCalled('Tides', inCourse: false);
            $this->send($this->export())->assertJsonPath('there.path', $folder);
            $site->assertExists("{$folder}/index.html");
        }
    }

    public function test_what_cannot_be_sent_is_refused(): void
    {
        $this->folder();
        $this->lessonCalled('Tides');
        $done = $this->export();
        $this->send('none')->assertNotFound();
        $this->postJson("/api/lessons/{$this->lesson}/delivery")
            ->assertStatus(422)
            ->assertJson(['detail' => 'Say which film is to be sent.']);
        $other = Export::query()->findOrFail($done)->replicate();
        $other->forceFill(['id' => strtolower($other->newUniqueId()), 'state' => WorkState::Running])->save();
        $this->send($other->id)->assertStatus(409)->assertJson(['detail' => 'Only a finished film of this lesson can be sent.']);

        Queue::fake();
        $this->send($done)->assertJsonPath('last.state', 'waiting');
        $other->update(['state' => WorkState::Done]);
        $this->send($other->id)->assertStatus(409);
        $this->send($done)->assertStatus(202);
        Queue::assertPushed(DeliverFilmJob::class, 1);
    }

    public function test_viewers_see_the_version_before_until_all_of_the_next_is_there(): void
    {
        $site = $this->folder();
        $this->lessonCalled('Tides', inCourse: false);
        $this->send($this->export())->assertJsonPath('there.number', 1);
        $before = $this->page($site, 'tides');
        $next = Export::query()->findOrFail($this->export(again: true));

        // The folder takes nothing any more.
        chmod($this->mediaRoot.'/site/tides', 0o555);
        config(['filesystems.disks.site.root' => '/dev/null/site']);
        Storage::forgetDisk('site');
        $log = Log::spy();
        $failed = $this->send($next->id)->assertJsonPath('last.state', 'failed')->assertJsonPath('there.number', 1);
        self::assertStringContainsString('What viewers see there is as it was.', (string) $failed->json('last.problem'));
        self::assertStringNotContainsString('/dev/null', (string) $failed->json('last.problem'));
        $log->shouldHaveReceived('error')->once();
        self::assertSame($before, $this->page($site, 'tides'));

        chmod($this->mediaRoot.'/site/tides', 0o755);
        config(['filesystems.disks.site.root' => $this->mediaRoot.'/site']);
        Storage::forgetDisk('site');
        $this->send($next->id)->assertJsonPath('there.number', 2)->assertJsonPath('last.problem', null);
        self::assertNotSame($before, $this->page($site, 'tides'));
    }

    public function test_one_that_is_cancelled_while_it_is_sent_stays_unseen(): void
    {
        $site = $this->folder();
        $this->lessonCalled('Tides', inCourse: false);
        $export = Export::query()->findOrFail($this->export());
        // Long enough that it is noted on the way.
        $padded = fopen($this->media()->path((string) $export->path), 'ab') ?: self::fail();
        ftruncate($padded, 9_000_000);
        Queue::fake();
        $id = $this->send($export->id)->json('last.id');
        $cancels = true;
        Delivery::retrieved(function (Delivery $delivery) use (&$cancels): void {
            if ($cancels && $delivery->done >= 4_000_000) {
                $cancels = false;
                $this->travel(10)->seconds();
                $left = $this->getJson("/api/lessons/{$this->lesson}/delivery")->json('last.seconds_left');
                self::assertEqualsWithDelta(10 * (9.0 / ($delivery->done / 1e6) - 1), $left, 3);
                $this->postJson("/api/deliveries/{$delivery->id}/cancel")->assertOk();
            }
        });
        app()->call([new DeliverFilmJob((string) $id), 'handle']);
        self::assertFalse($cancels);
        $this->getJson("/api/lessons/{$this->lesson}/delivery")
            ->assertJsonPath('last.state', 'cancelled')
            ->assertJsonPath('there', null);
        $site->assertMissing('tides/index.html');

        // What a killed worker or a cancel has left is written over.
        $again = $this->send($export->id)->json('last.id');
        app()->call([new DeliverFilmJob((string) $again), 'handle']);
        $this->getJson("/api/lessons/{$this->lesson}/delivery")->assertJsonPath('there.number', 1);
        self::assertSame(9_000_000, $site->size('tides/v1/Tides.mp4'));
        $this->postJson("/api/deliveries/{$again}/cancel")->assertOk()->assertJsonPath('last.state', 'done');
    }

    public function test_a_bucket_is_as_good_a_folder(): void
    {
        $server = S3Server::start($this->mediaRoot.'/s3');
        try {
            $site = $this->folder($server->disk());
            $this->lessonCalled('Größe der Tide');
            $export = Export::query()->findOrFail($this->export());
            $film = $this->media()->path((string) $export->path);
            // More than one part of a multipart upload.
            $padded = fopen($film, 'ab') ?: self::fail();
            ftruncate($padded, 17_000_000);
            $there = $this->send($export->id)->assertJsonPath('last.state', 'done');
            $path = 'reading-the-water/grosse-der-tide';
            $there->assertJsonPath('there.path', $path);
            self::assertSame(hash_file('sha256', $film), hash('sha256', (string) $site->get("{$path}/v1/Größe der Tide.mp4")));
            self::assertStringContainsString('v1/Gr%C3%B6%C3%9Fe%20der%20Tide.mp4', $this->page($site, $path));
            self::assertSame('text/html', explode(';', (string) $site->mimeType("{$path}/index.html"))[0]);
        } finally {
            $server->stop();
        }
        $this->send($this->export(again: true))->assertJsonPath('last.state', 'failed')->assertJsonPath('there.number', 1);
    }

    /** @param  array<string, mixed>|null  $disk  a folder on this machine unless said */
    private function folder(?array $disk = null): FilesystemAdapter
    {
        $disk ??= ['driver' => 'local', 'root' => $this->mediaRoot.'/site'];
        $known = ['name' => 'the harbour site', 'url' => 'https://learn.saltmarsh.example/films/'];
        config(['filesystems.disks.site' => $disk + $known + config('filesystems.disks.site')]);
        Storage::forgetDisk('site');

        $site = Storage::disk('site');
        self::assertInstanceOf(FilesystemAdapter::class, $site);

        return $site;
    }

    private function lessonCalled(string $title, bool $inCourse = true): void
    {
        $section = $this->section();
        $lesson = $section->lesson()->firstOrFail();
        $course = $inCourse ? Course::query()->create(['name' => 'Reading the Water']) : null;
        $lesson->update(['title' => $title, 'course_id' => $course?->id]);
        $this->keep($this->record($section, Clips::lighter()));
        $this->lesson = $lesson->id;
    }

    /** @param  bool  $again  another film, not the one that is there already */
    private function export(bool $again = false): string
    {
        if ($again) {
            $this->postJson("/api/lessons/{$this->lesson}/exports", ['quality' => 'small']);
        }

        return (string) $this->postJson("/api/lessons/{$this->lesson}/exports")->assertJson(['state' => 'done'])->json('id');
    }

    private function send(string $export): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/api/lessons/{$this->lesson}/delivery", ['export_id' => $export]);
    }

    private function page(FilesystemAdapter $site, string $folder): string
    {
        return (string) $site->get("{$folder}/index.html");
    }
}
