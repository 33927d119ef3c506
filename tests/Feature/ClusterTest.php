<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Takes\AlignTake;
use App\Actions\Takes\IngestTake;
use App\Actions\Takes\InspectTake;
use App\Jobs\AlignTakesJob;
use App\Jobs\PrepareLessonJob;
use App\Media\Encoder;
use App\Media\Locks;
use App\Media\RedisLocks;
use App\Media\Shared\SharedDisk;
use App\Media\SlideMaker;
use App\MediaJobs\AlignSoundJob;
use App\MediaJobs\DrawPageJob;
use App\Models\Export;
use App\Models\Section;
use App\Models\User;
use App\Queries\Takes\TakeFindings;
use App\Work\AlignmentProgress;
use App\Work\ExportProgress;
use App\Work\LostJobs;
use App\Work\QueueName;
use App\Work\SameEncoder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Redis;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\AlignmentStatus;
use Symfony\Component\Process\Process;

/** Several machines: one with the database, others that take pieces of films from Redis and share nothing but the media disk. */
final class ClusterTest extends FeatureTestCase
{
    private const WORK = [PHP_BINARY, 'artisan', 'queue:work', '--queue='.QueueName::Pieces->value, '--sleep=0.25', '--timeout=0'];

    private Process $redis;

    private int $port;

    private ?S3Server $server = null;

    /** @var list<Process> */
    private array $others = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->port = FreePort::any();
        $this->redis = $this->redis();
        config([
            'database.redis.default.port' => $this->port, 'database.redis.cache.port' => $this->port,
            'queue.default' => 'redis', 'cache.default' => 'redis', 'cache.stores.redis.connection' => 'cache',
            'reel.locks' => 'redis',
        ]);
        $this->app->forgetInstance(Locks::class);
    }

    protected function tearDown(): void
    {
        array_map(fn (Process $p) => $p->stop(0), $this->others);
        $this->redis->stop(1);
        $this->server?->stop();
        parent::tearDown();
    }

    public function test_a_lock_is_held_as_long_as_its_holder_lives_and_opens_when_it_dies(): void
    {
        self::assertInstanceOf(RedisLocks::class, app(Locks::class));
        // It computes and computes, and says nothing itself.
        $holder = $this->php(
            '$lock = app(App\Media\Locks::class)->tryFor("piece/one"); echo $lock ? "held" : "no"; while (true) {}',
        );
        $this->waitUntil(fn (): bool => str_contains($holder->getOutput(), 'held'), 10);
        for ($i = 0; $i < 14; $i++) {
            self::assertNull(app(Locks::class)->tryFor('piece/one'));
            usleep(500_000);
        }
        self::assertNotNull($other = app(Locks::class)->tryFor('piece/two'));
        self::assertNull(app(Locks::class)->tryFor('piece/two'), 'nor twice by the same process');
        $other->release();
        self::assertNotNull(app(Locks::class)->tryFor('piece/two'));

        $holder->stop(0, SIGKILL);
        $start = microtime(true);
        $lock = null;
        $this->waitUntil(function () use (&$lock): bool {
            return ($lock = app(Locks::class)->tryFor('piece/one')) !== null;
        }, 10);
        self::assertNotNull($lock);
        self::assertLessThan(6.5, microtime(true) - $start);
    }

    public function test_sessions_can_be_kept_where_every_web_server_finds_them(): void
    {
        config(['reel.mode' => 'people', 'session.driver' => 'redis', 'hashing.argon.memory' => 1024, 'hashing.argon.time' => 1]);
        $person = ['email' => 'wenna@saltmarsh.example', 'password' => 'low water at noon'];
        User::query()->create($person + ['name' => 'Wenna']);
        $answer = $this->withCredentials()->post('/sign-in', $person)->assertRedirect('/');
        self::assertNotSame([], $answer->headers->getCookies());
        foreach ($answer->headers->getCookies() as $cookie) {
            $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue());
        }
        // Another web server, which knows nothing but what it is sent and what Redis has.
        $another = function (): void {
            app('auth')->forgetGuards();
            app('session')->forgetDrivers();
            app()->forgetInstance('session.store');
        };
        $another();
        $this->getJson('/api/me')->assertOk()->assertJsonPath('person.name', 'Wenna');
        Redis::connection()->command('flushall');
        $another();
        $this->getJson('/api/me')->assertStatus(401);
    }

    public function test_what_is_remembered_of_progress_are_numbers(): void
    {
        (new ExportProgress(new Export(['id' => 'film'])))->expect(400);
        self::assertSame(400, ExportProgress::left('film'));
        self::assertNull(ExportProgress::left('another'));
        AlignmentProgress::note(AlignmentProgress::key('take'), 0.25);
        self::assertSame(0.25, AlignmentProgress::of('take'));
    }

    public function test_workers_without_the_database_make_the_pieces_and_one_that_is_killed_costs_seconds(): void
    {
        $lesson = $this->kept();
        PrepareLessonJob::dispatchSync($lesson);
        $waiting = Queue::size(QueueName::Pieces->value);
        self::assertGreaterThanOrEqual(3, $waiting);

        // The first of them works on and on.
        $stuck = "{$this->mediaRoot}/encoder";
        file_put_contents($stuck, "#!/bin/sh\ncase \"\$*\" in *-version*) exec ffmpeg \"\$@\" ;; esac\nexec sleep 100\n");
        chmod($stuck, 0o755);
        $first = $this->worker(['REEL_FFMPEG' => $stuck]);
        $this->waitUntil(fn (): bool => $this->reserved() === 1, 15);
        usleep(2_100_000);
        LostJobs::release();
        self::assertSame($waiting - 1, Queue::size(QueueName::Pieces->value) - $this->reserved(), 'whoever lives keeps its work');
        $first->stop(0, SIGKILL);
        $workers = [$this->worker(), $this->worker()];
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) === 0 && $this->reserved() === 0, 60);
        self::assertSame([0, 0], [Queue::size(QueueName::Pieces->value), $this->reserved()]);
        foreach ($workers as $worker) {
            self::assertTrue($worker->isRunning(), $worker->getErrorOutput());
        }

        $this->exportWithoutMaking($lesson);
    }

    public function test_machines_that_share_an_s3_disk_make_the_film_whoever_is_killed(): void
    {
        $server = $this->server = S3Server::start("{$this->mediaRoot}-shared")->share();
        $lesson = $this->kept();
        self::assertNotSame([], iterator_to_array(app(SharedDisk::class)->files('lessons')));
        PrepareLessonJob::dispatchSync($lesson);
        $waiting = Queue::size(QueueName::Pieces->value);
        self::assertGreaterThanOrEqual(3, $waiting);
        // Each has a folder of its own and what it needs comes from the shared disk.
        $machine = fn (int $n): Process => $this->worker(['REEL_MEDIA_ROOT' => "{$this->mediaRoot}/machine-{$n}"]
            + $server->environment());
        $first = $machine(1);
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) < $waiting, 30);
        $first->stop(0, SIGKILL);
        $server->kill();
        $others = [$machine(2), $machine(3)];
        usleep(1_500_000);
        $server->startAgain();
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) === 0 && $this->reserved() === 0, 60);
        self::assertSame([0, 0], [Queue::size(QueueName::Pieces->value), $this->reserved()]);
        foreach ($others as $one) {
            self::assertTrue($one->isRunning(), $one->getErrorOutput());
        }

        // The machine with the database fetches what they made, and has nothing to make itself.
        self::assertSame([], iterator_to_array($this->media()->filesHere('renders/shot')));
        $this->artisan('queue:work', ['--queue' => 'background', '--stop-when-empty' => true])->assertSuccessful();
        self::assertNotSame([], iterator_to_array($this->media()->filesHere('renders/shot')));
        $this->exportWithoutMaking($lesson);
    }

    public function test_other_machines_look_at_cameras_hear_words_and_draw_pages(): void
    {
        $server = $this->server = S3Server::start("{$this->mediaRoot}-shared")->share();
        $says = ['The height is given in metres above chart datum.', 'High water at the quay is at a quarter past seven.'];
        $section = $this->section();
        $this->patchJson("/api/sections/{$section->id}", ['heading' => 'Heard', 'script' => implode(' ', $says)])->assertOk();
        [$voice] = Stumbling::take('elsewhere', array_map(fn (string $text): array => [$text, 1.0, 0.6], $says));
        $file = Clips::make('elsewhere-'.basename($voice, '.wav').'.webm', [
            '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=10:d=20', '-i', $voice, '-map', '0:v', '-map', '1:a',
            '-c:v', 'libvpx', '-b:v', '1M', '-c:a', 'libopus', '-shortest',
        ]);

        // Nobody is asked who is not there.
        $take = $this->record($section->refresh(), $file);
        app(IngestTake::class)($take);
        self::assertSame(0, Queue::size(QueueName::RemoteAlignment->value));
        $queues = QueueName::Pieces->value.','.QueueName::RemoteAlignment->value;
        $this->start(
            [PHP_BINARY, 'artisan', 'queue:work', "--queue={$queues}", '--sleep=0.25', '--timeout=0'],
            ['REEL_MEDIA_ROOT' => "{$this->mediaRoot}/machine-1"] + $server->environment(),
        );
        $this->waitUntil(fn (): bool => AlignSoundJob::isWanted() && DrawPageJob::isWanted(), 20);

        // This machine can neither hear nor see: what it writes down comes from the other one.
        $asked = Queue::size('hear');
        app(AlignTake::class)->offer($take->refresh());
        app(InspectTake::class)->offer($take);
        $this->waitUntil(fn (): bool => Queue::size('hear') === $asked + 2, 60);
        config(['reel.programs.reference_voice' => '/nowhere/voice']);
        file_put_contents($this->media()->here((string) $take->track(TrackKind::Camera)?->file_path), 'no film');
        (new AlignTakesJob())->handle(app(AlignTake::class), app(InspectTake::class));
        self::assertEqualsWithDelta(120, TakeFindings::of($take->refresh())->analysis?->camera->brightness ?? 0, 60);
        self::assertSame(AlignmentStatus::Sure, $take->refresh()->summary->alignment);
        self::assertSame(array_column($take->lines, 'id'), $take->summary->spoken);

        // Pages are drawn from both ends.
        $slow = new SlowPages(app(SlideMaker::class));
        $this->app->instance(SlideMaker::class, $slow);
        $pages = array_map(fn (int $n): string => "Page {$n}", range(1, 8));
        $this->post("/api/lessons/{$section->lesson_id}/slides", [
            'files' => [UploadedFile::fake()->createWithContent('deck.pdf', (string) file_get_contents(Decks::pdf($pages)))],
        ])->assertCreated();
        $this->artisan('queue:work', ['--queue' => 'default', '--stop-when-empty' => true])->assertSuccessful();
        self::assertSame(8, $section->lesson->slides()->count());
        self::assertGreaterThan(0, $slow->drawn);
        self::assertLessThan(8, $slow->drawn);
        self::assertSame([], $this->draftsLeft());
    }

    public function test_a_worker_with_another_encoder_waits_and_says_so(): void
    {
        $lesson = $this->kept();
        app(SameEncoder::class)->say();
        PrepareLessonJob::dispatchSync($lesson);
        $waiting = Queue::size(QueueName::Pieces->value);
        $other = "{$this->mediaRoot}/other-encoder";
        file_put_contents($other, "#!/bin/sh\ncase \"\$*\" in *-version*) echo 'ffmpeg version 9.9 of another kind' ;; esac\n");
        chmod($other, 0o755);
        $worker = $this->worker(['REEL_FFMPEG' => $other, 'LOG_CHANNEL' => 'stderr']);
        $this->waitUntil(fn (): bool => str_contains($worker->getErrorOutput(), 'has another encoder'), 15);
        self::assertStringContainsString('has another encoder', $worker->getErrorOutput());
        self::assertSame($waiting, Queue::size(QueueName::Pieces->value));
        self::assertTrue($worker->isRunning());
        // One that has the same does the work meanwhile.
        $this->worker();
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) === 0, 60);
        self::assertSame(0, Queue::size(QueueName::Pieces->value));
    }

    public function test_redis_may_be_killed_and_what_waits_is_done_behind_it(): void
    {
        $lesson = $this->kept();
        PrepareLessonJob::dispatchSync($lesson);
        $waiting = Queue::size(QueueName::Pieces->value);
        // As a supervisor runs it: one that ended is started again.
        $worker = $this->start(['bash', '-c', 'while :; do setpriv --pdeathsig KILL "$@"; sleep 0.5; done', '-', ...self::WORK]);
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) < $waiting, 30);
        $this->redis->stop(0, SIGKILL);
        usleep(1_500_000);
        $this->redis = $this->redis();
        Redis::connection()->command('disconnect');
        self::assertTrue($worker->isRunning());
        $this->waitUntil(fn (): bool => Queue::size(QueueName::Pieces->value) === 0, 60);
        self::assertSame(0, Queue::size(QueueName::Pieces->value));
        self::assertGreaterThanOrEqual(3, iterator_count($this->media()->filesIn('renders')));
    }

    /** What others made is all that the film needs. */
    private function exportWithoutMaking(string $lesson): void
    {
        $spy = new EncoderSpy(app(Encoder::class));
        $this->app->instance(Encoder::class, $spy);
        config(['queue.default' => 'sync']);
        $this->postJson("/api/lessons/{$lesson}/exports")->assertStatus(202)->assertJson(['state' => 'done']);
        self::assertSame(0, $spy->count('segment') + $spy->count('soundtrack'));
    }

    private function reserved(): int
    {
        return (int) Redis::connection()->command('zcard', ['queues:'.QueueName::Pieces->value.':reserved']);
    }

    private function redis(): Process
    {
        $redis = new Process([
            'redis-server', '--port', (string) $this->port, '--bind', '127.0.0.1', '--save', '', '--dir', $this->mediaRoot,
            '--appendonly', 'yes', '--appendfsync', 'always',
        ], timeout: null);
        $redis->start();
        $redis->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'Ready to accept connections'));

        return $redis;
    }

    /** @return string id of a lesson with two kept takes */
    private function kept(): string
    {
        config(['queue.default' => 'sync']);
        $section = $this->section();
        $second = Section::factory()->for($section->lesson)->create(['position' => 2]);
        $this->keep($this->record($section, Clips::spoken()));
        $this->keep($this->record($second, Clips::anotherTake()));
        $this->media()->deleteFolder('renders');
        config(['queue.default' => 'redis']);

        return $section->lesson_id;
    }

    /** @param  array<string, string>  $with */
    private function worker(array $with = []): Process
    {
        return $this->start(
            self::WORK, $with,
        );
    }

    private function php(string $code): Process
    {
        $boot = '$app = require "bootstrap/app.php"; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();';

        return $this->start([PHP_BINARY, '-r', "require 'vendor/autoload.php'; {$boot} {$code}"]);
    }

    /**
     * Another machine: no database, the same media disk.
     *
     * @param  list<string>  $command
     * @param  array<string, string>  $with
     */
    private function start(array $command, array $with = []): Process
    {
        $this->others[] = $process = new Process($command, base_path(), $with + [
            'DB_DATABASE' => '/nowhere/reel.sqlite', 'REEL_DATABASE' => 'false', 'REEL_MEDIA_ROOT' => $this->mediaRoot,
            'QUEUE_CONNECTION' => 'redis', 'CACHE_STORE' => 'redis', 'REEL_LOCKS' => 'redis',
            'REDIS_PORT' => (string) $this->port,
            'LOG_CHANNEL' => 'null', 'REEL_RESERVE_BYTES' => '0',
        ], timeout: null);
        $process->start();

        return $process;
    }
}
