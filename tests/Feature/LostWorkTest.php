<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Film\RequestExport;
use App\Jobs\ExportLessonJob;
use App\Jobs\ImportDeckJob;
use App\Media\Drafts;
use App\Media\WorkLock;
use App\Models\Deck;
use App\Models\Lesson;
use App\Models\Take;
use App\Models\WorkState;
use App\Upkeep\ForgottenWork;
use App\Upkeep\Upkeep;
use App\Work\ExportProgress;
use App\Work\LostJobs;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Exceptions;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;
use OpenReel\Core\Take\TakeState;
use Symfony\Component\Process\Process;

/** A worker that is killed costs seconds. */
final class LostWorkTest extends FeatureTestCase
{
    public function test_a_take_is_taken_up_within_five_seconds_of_the_next_workers_start(): void
    {
        $processes = Processes::begin();
        // The first time it is called to work, this encoder works on and on.
        $encoder = "{$processes->folder}/encoder";
        file_put_contents(
            $encoder,
            "#!/bin/sh\ncase \"\$*\" in *-version*) exec ffmpeg \"\$@\" ;; esac\nif mkdir '{$encoder}.began' 2>/dev/null; "
                ."then sleep 100; fi\nexec ffmpeg \"\$@\"\n",
        );
        chmod($encoder, 0o755);
        $workers = [];
        try {
            $take = $this->recordIn($processes);
            $workers[] = $first = $this->worker($processes, $encoder);
            $this->waitUntil(fn (): bool => is_dir("{$encoder}.began"), 10);
            self::assertNotSame([], glob("{$processes->folder}/media/drafts/*") ?: []);
            posix_kill((int) $first->getPid(), SIGKILL);
            $this->waitUntil(fn (): bool => ! $first->isRunning(), 5);

            $start = microtime(true);
            $workers[] = $this->worker($processes, $encoder);
            $this->waitUntil(fn (): bool => $this->stateOf($processes, $take) === 'ready', 15);
            // Five seconds to take it up; reading it takes one more on a busy machine.
            self::assertLessThan(6.5, microtime(true) - $start);
            self::assertSame('ready', $this->stateOf($processes, $take));
        } finally {
            array_map(fn (Process $worker) => $worker->stop(0), $workers);
            array_map(fn (int $pid): bool => posix_kill($pid, SIGKILL), array_keys($processes->running()));
            $processes->end();
        }
    }

    public function test_a_program_ends_with_the_worker_that_started_it(): void
    {
        $mark = bin2hex(random_bytes(4));
        $php = new Process(
            [PHP_BINARY, '-r', 'require "vendor/autoload.php"; App\Media\Program::run(["sleep", "300.'.hexdec($mark).'"]);'],
            base_path(),
        );
        $php->start();
        $isThere = fn (): bool => str_contains((string) shell_exec('ps -eo args'), 'sleep 300.'.hexdec($mark));
        $this->waitUntil($isThere, 5);
        self::assertTrue($isThere());
        $php->stop(0);
        $this->waitUntil(fn (): bool => ! str_contains((string) shell_exec('ps -eo args'), 'sleep 300.'.hexdec($mark)), 3);
        self::assertStringNotContainsString('300.'.hexdec($mark), (string) shell_exec('ps -eo args'));
    }

    public function test_a_job_that_takes_its_worker_down_again_and_again_ends_in_a_sentence(): void
    {
        config(['queue.default' => 'database']);
        $deck = Deck::query()->create([
            'lesson_id' => Lesson::factory()->create()->id,
            'name' => 'Huge.pptx',
            'path' => 'nowhere.pptx',
            'purpose' => 'add',
            'state' => WorkState::Running,
        ]);
        ImportDeckJob::dispatch($deck->id);
        $dies = fn () => DB::table('jobs')->update(['reserved_at' => time() - 10]);

        for ($death = 1; $death <= 3; $death++) {
            $dies();
            LostJobs::release();
            self::assertNull(DB::table('jobs')->sole()->reserved_at, "death {$death}");
        }
        $dies();
        LostJobs::release();
        self::assertSame(0, DB::table('jobs')->count());
        self::assertSame(WorkState::Failed, $deck->refresh()->state);
        self::assertStringContainsString('more than the server can draw', (string) $deck->problem);
    }

    public function test_a_film_that_goes_on_between_deaths_is_not_given_up(): void
    {
        config(['queue.default' => 'database']);
        $export = RequestExport::row(Lesson::factory()->create());
        ExportLessonJob::dispatch($export->id);
        $diesWith = function (int $left) use ($export): void {
            (new ExportProgress($export))->expect($left);
            DB::table('jobs')->update(['reserved_at' => time() - 10]);
            LostJobs::release();
        };
        foreach ([900, 700, 500, 500, 500, 400, 400, 400] as $left) {
            $diesWith($left);
            self::assertNull(DB::table('jobs')->sole()->reserved_at, "{$left} left");
        }
        $diesWith(400);
        self::assertSame(0, DB::table('jobs')->count());
        self::assertSame(WorkState::Failed, $export->refresh()->state);
    }

    public function test_what_cannot_be_read_or_asked_for_keeps_no_worker_from_its_work(): void
    {
        config(['queue.default' => 'database']);
        ImportDeckJob::dispatch('some-deck');
        $command = substr(serialize(new ImportDeckJob('some-deck')), 0, -5);
        DB::table('jobs')->update(['reserved_at' => time() - 10, 'payload' => json_encode(['data' => ['command' => $command]])]);
        LostJobs::release();
        self::assertNotNull(DB::table('jobs')->sole()->reserved_at);

        Exceptions::fake();
        Schema::drop('jobs');
        self::assertNull(Event::until(new Looping('database', 'default')));
        Exceptions::assertReportedCount(1);
    }

    public function test_a_job_whose_worker_lives_is_left_to_it(): void
    {
        config(['queue.default' => 'database']);
        ImportDeckJob::dispatch('some-deck');
        DB::table('jobs')->update(['reserved_at' => time() - 10]);
        $lock = WorkLock::tryFor('deck/some-deck');
        self::assertNotNull($lock);
        LostJobs::release();
        self::assertNotNull(DB::table('jobs')->sole()->reserved_at);

        $lock->release();
        DB::table('jobs')->update(['reserved_at' => time()]);
        LostJobs::release();
        self::assertNotNull(DB::table('jobs')->sole()->reserved_at, 'taken a moment ago');
    }

    public function test_drafts_of_processes_that_died_are_swept_and_others_stay(): void
    {
        $root = "{$this->mediaRoot}/drafts";
        $live = new Drafts($root);
        file_put_contents($mine = $live->path('mp4'), 'being made');
        File::makeDirectory("{$root}/dead");
        file_put_contents("{$root}/dead/.lock", '');
        file_put_contents("{$root}/dead/half.mp4", 'half');
        file_put_contents("{$root}/older-version.mkv", 'half');
        foreach (["{$root}/dead", "{$root}/older-version.mkv", dirname($mine)] as $old) {
            touch($old, time() - 3600);
        }

        (new Drafts($root))->sweep();
        self::assertFileExists($mine);
        self::assertDirectoryDoesNotExist("{$root}/dead");
        self::assertFileDoesNotExist("{$root}/older-version.mkv");
        unset($live);
        self::assertFileDoesNotExist($mine, 'what a process leaves when it ends goes with it');
    }

    public function test_no_take_stays_in_limbo(): void
    {
        $section = $this->section();
        $empty = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->json();
        $begun = $this->postJson("/api/sections/{$section->id}/takes", [
            'tracks' => [['kind' => 'camera', 'mime' => 'video/webm']],
        ])->json();
        $this->sendChunk($begun['tracks'][0]['id'], 0, 'something')->assertOk();
        app(Upkeep::class)->sweep();
        self::assertSame(2, Take::query()->count());
        $this->travel(3)->hours();
        app(Upkeep::class)->sweep();
        self::assertNull(Take::query()->find($empty['id']));
        self::assertNotNull(Take::query()->find($begun['id']), 'what arrived is never thrown away');
    }

    public function test_what_was_asked_for_and_is_on_no_queue_is_done_all_the_same(): void
    {
        // As when the server was killed between what it wrote down and the queue.
        $take = $this->keep($this->record($this->section(), Clips::spoken()));
        $take->update(['state' => TakeState::Ingesting]);
        $export = RequestExport::row($take->section->lesson);
        ForgottenWork::release();
        self::assertSame(TakeState::Ingesting, $take->refresh()->state, 'it may be on its way to the queue');
        $this->travel(4)->seconds();

        $held = WorkLock::for("ingest/{$take->id}");
        ForgottenWork::release();
        self::assertSame(TakeState::Ingesting, $take->refresh()->state, 'somebody is at it');
        $held->release();
        self::assertSame(WorkState::Waiting, $export->refresh()->state, 'it waits for what is kept');

        $this->travel(4)->seconds();
        ForgottenWork::release();
        self::assertSame(TakeState::Ready, $take->refresh()->state);
        self::assertSame(WorkState::Done, $export->refresh()->state);
    }

    public function test_where_jobs_wait_nothing_is_put_beside_them(): void
    {
        config(['queue.default' => 'database']);
        $take = $this->record($this->section(), Clips::spoken());
        self::assertSame(1, $this->jobsThatListen());
        $this->travel(1)->minutes();
        ForgottenWork::release();
        self::assertSame(1, $this->jobsThatListen());
        DB::table('jobs')->delete();
        ForgottenWork::release();
        self::assertSame(1, $this->jobsThatListen());
        self::assertSame(TakeState::Ingesting, $take->refresh()->state);
    }

    /** @phpstan-impure */
    private function jobsThatListen(): int
    {
        return DB::table('jobs')->where('queue', 'listen')->count();
    }

    private function recordIn(Processes $processes): string
    {
        [, $lesson] = $processes->call('POST', 'lessons', ['title' => 'Killed']);
        $clip = Clips::spoken();

        return $processes->each(
            1,
            <<<PHP
                \$tracks = [['kind' => 'camera', 'mime' => 'video/webm']];
                [, \$take] = \$call('POST', 'sections/{$lesson['sections'][0]['id']}/takes', ['tracks' => \$tracks]);
                \$bytes = file_get_contents('{$clip}');
                \$headers = ['HTTP_X_CHUNK_SHA256' => hash('sha256', \$bytes), 'CONTENT_TYPE' => 'application/octet-stream'];
                \$call('PUT', 'tracks/'.\$take['tracks'][0]['id'].'/chunks/0', \$bytes, \$headers);
                \$call('POST', 'takes/'.\$take['id'].'/finish', ['as_arrived' => true]);
                return \$take['id'];
            PHP
            ,
        )[0];
    }

    private function stateOf(Processes $processes, string $take): string
    {
        $database = new \PDO("sqlite:{$processes->folder}/reel.sqlite");

        return (string) (
            $database->query("select state from takes where id = '{$take}'") ?:
            throw new \RuntimeException('no table')
        )->fetchColumn();
    }

    private function worker(Processes $processes, string $encoder): Process
    {
        $worker = $processes->artisan('queue:work', '--queue=listen', '--sleep=0.25', '--timeout=0');
        $worker->setEnv(['REEL_FFMPEG' => $encoder] + $worker->getEnv());
        $worker->setTimeout(null);
        $worker->start();

        return $worker;
    }
}
