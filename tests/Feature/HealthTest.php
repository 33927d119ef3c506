<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Health\DatabaseCheck;
use App\Health\Doctor;
use App\Health\Finding;
use App\Health\SettingsCheck;
use App\Health\Severity;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Take;
use App\Models\WorkState;
use App\Work\Pulse;
use App\Work\QueueName;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;

/** What the operator is told: by the command line, by programs that watch, and by the log. */
final class HealthTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config(['queue.default' => 'database']);
    }

    public function test_a_server_that_works_is_up_and_one_that_does_not_says_which_part(): void
    {
        $this->workersLook();
        $this->getJson('/up')->assertOk()->assertExactJson(['up' => true, 'parts' => [
            'media disk' => 'good', 'database' => 'good', 'queue listen' => 'good', 'queue default' => 'good',
        ]]);

        // A worker that has nothing to do and is not heard of is gone; one that has found work may take long.
        $this->travel(Pulse::SECONDS + 1)->seconds();
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('parts.queue listen', 'bad');
        $this->workersLook();
        app(Pulse::class)->working();
        $this->travel(1)->hours();
        $this->getJson('/up')->assertOk();

        // A take that waits for a minute is looked at; a film may wait.
        foreach (['listen', 'default'] as $queue) {
            $this->waits($queue, time() + 3500);
        }
        $this->travel(100)->seconds();
        $this->getJson('/up')
            ->assertOk()
            ->assertJsonPath('parts.queue listen', 'doubtful')
            ->assertJsonPath('parts.queue default', 'good');

        config(['reel.reserve_bytes' => (int) $this->media()->free() + 10_000_000_000]);
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('parts.media disk', 'bad');
    }

    public function test_a_disk_and_a_database_that_cannot_be_written_are_told(): void
    {
        $this->workersLook();
        File::deleteDirectory($this->mediaRoot);
        config(['filesystems.disks.media.root' => '/dev/null/media']);
        app('filesystem')->forgetDisk('media');
        app()->forgetInstance(MediaStore::class);
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('parts.media disk', 'bad');
        config(['filesystems.disks.media.root' => $this->mediaRoot]);
        app('filesystem')->forgetDisk('media');
        app()->forgetInstance(MediaStore::class);

        DB::table('migrations')->where('migration', 'like', '%let_films_be_delivered')->delete();
        $found = self::by(app(Doctor::class)->quickly());
        self::assertSame('1 changes of its form are missing.', $found['database']->says);
        self::assertSame('Run php artisan migrate --force.', $found['database']->todo);
        DB::statement('PRAGMA query_only = 1');
        $said = self::by(app(DatabaseCheck::class)->look())['database'];
        DB::statement('PRAGMA query_only = 0');
        self::assertSame('It cannot be opened or written to.', $said->says);
    }

    public function test_the_doctor_finds_what_is_wrong_and_says_what_to_do(): void
    {
        config(['queue.default' => 'sync']);
        $take = $this->record($this->section(), Clips::spoken());
        config(['queue.default' => 'database']);
        $this->workersLook();
        self::assertSame(0, Artisan::call('reel:doctor'), Artisan::output());

        config(['app.debug' => true, 'reel.programs.sox' => 'no-such-sox']);
        $this->media()->delete($take->played()?->file_path);
        $this->media()->write("lessons/{$take->section->lesson_id}/forgotten.bin", 'x');
        touch($this->media()->path("lessons/{$take->section->lesson_id}/forgotten.bin"), time() - 7 * 86_400);
        DB::table('failed_jobs')->insert([
            'uuid' => 'u', 'connection' => 'c', 'queue' => 'q', 'payload' => '{}', 'exception' => 'secret /etc/passwd',
        ]);
        $this->travel(2)->minutes();
        self::assertSame(1, Artisan::call('reel:doctor', ['--json' => true]));
        /** @var list<array{about: string, verdict: string, says: string, todo: string}> $found */
        $found = json_decode($said = Artisan::output(), true, flags: JSON_THROW_ON_ERROR);
        $found = array_column($found, null, 'about');
        self::assertSame('bad', $found['debugging']['verdict']);
        self::assertSame('Install it: apt-get install sox', $found['no-such-sox']['todo']);
        self::assertStringStartsWith('1 files of takes are missing', $found['recordings']['says']);
        self::assertSame(['doubtful', 'Look them through with bin/reel sweep.'], [
            $found['stray files']['verdict'], $found['stray files']['todo'],
        ]);
        self::assertStringContainsString('takes are not processed (nothing waits)', $found['queue listen']['says']);
        self::assertSame('1 jobs failed for a reason that nobody foresaw.', $found['failed jobs']['says']);
        self::assertStringNotContainsString('passwd', $said);
        config(['queue.default' => 'sync']);
        Artisan::call('reel:doctor');
        self::assertStringContainsString('Set QUEUE_CONNECTION to database or redis.', Artisan::output());
    }

    public function test_who_watches_over_it_holds_nobody_up_who_writes(): void
    {
        $this->workersLook();
        $asked = [];
        DB::listen(function (QueryExecuted $query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        $this->get('/up')->assertOk();
        self::assertNotSame([], $asked);
        self::assertSame([], preg_grep('/^\s*select|^PRAGMA/i', $asked, PREG_GREP_INVERT));
    }

    public function test_what_is_written_here_is_for_this_user_only(): void
    {
        $this->media()->write('lessons/x/takes/y/wave.json', '[]');
        $modes = array_map(fn (string $path): int => fileperms($this->media()->path($path)) & 0o077, [
            'lessons/x', 'lessons/x/takes/y/wave.json',
        ]);
        self::assertSame([0, 0], $modes);
    }

    public function test_the_doctor_says_where_links_lead_and_that_no_mail_is_sent(): void
    {
        config([
            'reel.mode' => 'people', 'mail.default' => 'log', 'app.url' => 'http://127.0.0.1:8020',
            'reel.hosts' => ['localhost', 'studio.example.org'],
        ]);
        $found = array_column(app(SettingsCheck::class)->look(), null, 'about');
        self::assertSame(Severity::Bad, $found['links']->verdict);
        self::assertSame(Severity::Doubtful, $found['mail']->verdict);
        config(['app.url' => 'https://studio.example.org', 'mail.default' => 'smtp']);
        $found = array_column(app(SettingsCheck::class)->look(), null, 'about');
        self::assertArrayNotHasKey('links', $found);
        self::assertArrayNotHasKey('mail', $found);
    }

    public function test_counters_are_for_this_machine_or_whoever_knows_the_token(): void
    {
        $this->workersLook();
        $section = $this->section();
        config(['queue.default' => 'sync']);
        $this->keep($this->record($section, Clips::spoken()));
        config(['queue.default' => 'database']);
        Export::query()->create([
            'lesson_id' => $section->lesson_id, 'state' => WorkState::Done, 'draft' => false, 'edition' => [],
            'file_name' => 'a.mp4', 'started_at' => now()->subSeconds(4), 'finished_at' => now(), 'frames' => 200,
        ]);
        $this->waits('hear', time() - 90);
        $answer = $this->get('/metrics')->assertOk();
        self::assertSame('application/openmetrics-text; version=1.0.0; charset=utf-8', $answer->headers->get('Content-Type'));
        $text = (string) $answer->getContent();
        foreach ([
            'reel_jobs_waiting{queue="hear"} 1', 'reel_workers{queue="listen"} 1', 'reel_takes{state="ready"} 1',
            'reel_exports{state="done"} 1', 'reel_lessons 1',
            'reel_render_speed_ratio 2.0',
        ] as $row) {
            self::assertStringContainsString("\n{$row}\n", $text);
        }
        self::assertMatchesRegularExpression('/\nreel_jobs_oldest_seconds\{queue="hear"\} 9\d\n/', $text);
        self::assertMatchesRegularExpression('/\nreel_recorded_seconds [1-9]\d*\n/', $text);
        // However much a row says, others are told what is theirs.
        Take::factory()->count(2)->sequence(['number' => 8], ['number' => 9])->for($section)->create([
            'verdict' => 'kept',
        ])->each(fn (Take $take) => $take->summary->update(['length_ticks' => PHP_INT_MAX - 1, 'used_ticks' => PHP_INT_MAX - 1]));
        $this->get('/metrics')->assertOk();
        $this->getJson('/api/lessons')->assertOk();
        self::assertStringEndsWith("# EOF\n", $text);

        $this->get('/metrics', ['X-Forwarded-For' => '192.0.2.7'])->assertStatus(421);
        $this->withServerVariables(['REMOTE_ADDR' => '192.0.2.7'])->get('/metrics')->assertStatus(421);
        // A proxy that says nothing of itself looks like this machine: where people sign in a token is asked for.
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1']);
        config(['reel.mode' => 'people', 'session.driver' => 'array']);
        $this->get('/metrics')->assertNotFound();
        config(['reel.metrics_token' => 'ebb and flow']);
        $this->get('/metrics', ['Authorization' => 'Bearer ebb and flow'])->assertOk();
        $this->get('/metrics', ['Authorization' => 'Bearer flow'])->assertNotFound();
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/metrics')->assertNotFound();
    }

    public function test_what_is_logged_names_the_request_and_the_answer_does_too(): void
    {
        $this->getJson('/api/lessons')->assertHeader('X-Request-Id', (string) Context::get('request'));
        $this->getJson('/api/lessons', ['X-Request-Id' => 'from-the-proxy-7'])->assertHeader('X-Request-Id', 'from-the-proxy-7');
        $made = $this->getJson('/api/lessons', ['X-Request-Id' => "a\tb"])->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[0-9a-z]{26}$/', (string) $made);

        Route::get('api/falls', fn () => throw new \RuntimeException('secret'));
        config(['logging.default' => 'json', 'logging.channels.json.path' => "{$this->mediaRoot}/log.jsonl"]);
        Log::forgetChannel('json');
        $fault = $this->getJson('/api/falls', ['X-Request-Id' => 'told-to-the-user'])->assertStatus(500)
            ->assertJsonPath('request', 'told-to-the-user');
        self::assertStringNotContainsString('secret', (string) $fault->getContent());
        [$row] = file(glob("{$this->mediaRoot}/log-*.jsonl")[0] ?? '') ?: [''];
        $logged = json_decode($row, true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['secret', 'told-to-the-user'], [$logged['message'], $logged['extra']['request']]);
    }

    /** A job waits in a queue since then. */
    private function waits(string $queue, int $since): void
    {
        DB::table('jobs')->insert([
            'queue' => $queue, 'payload' => '{}', 'attempts' => 0, 'created_at' => $since, 'available_at' => $since,
        ]);
    }

    /** Workers of all queues look for work. */
    private function workersLook(): void
    {
        app()->forgetInstance(Pulse::class);
        app(Pulse::class)->looking(implode(',', array_column(QueueName::cases(), 'value')));
    }

    /**
     * @param  list<Finding>  $found
     * @return array<string, Finding>
     */
    private static function by(array $found): array
    {
        return array_column($found, null, 'about');
    }
}
