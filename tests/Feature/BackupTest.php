<?php

declare(strict_types=1);

namespace Tests\Feature;

use Symfony\Component\Process\Process;

/** Copies of the database, and bringing one back; with a database in a file, by the commands that an operator uses. */
final class BackupTest extends FeatureTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/reel-backup-'.getmypid();
        mkdir($this->folder);
        touch("{$this->folder}/live.sqlite");
        $this->reel('migrate', '--force')->mustRun();
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    public function test_what_was_there_comes_back_while_the_database_is_in_use(): void
    {
        $user = $this->database('live.sqlite');
        $this->write($user, 'Tides');
        // Somebody is in the middle of a change: what is not done yet is not in the copy.
        $user->exec("BEGIN IMMEDIATE; INSERT INTO courses (id, name, style) VALUES ('b', 'Half done', '{}')");
        $copy = trim($this->reel('reel:backup', "{$this->folder}/copies")->mustRun()->getOutput());
        $user->exec('ROLLBACK');
        self::assertSame(['Tides'], $this->courses($this->database($copy)));
        self::assertSame('0600', substr(sprintf('%o', fileperms($copy)), -4));
        self::assertSame([$copy], glob("{$this->folder}/copies/*"), 'one file, nothing beside it');

        $this->write($user, 'Currents');
        $user->exec("DELETE FROM courses WHERE name = 'Tides'");
        $said = $this->reel('reel:restore', $copy)->mustRun()->getOutput();
        // Whoever has it open sees what is there now.
        self::assertSame(['Tides'], $this->courses($user));
        preg_match('/before: (\S+)/', $said, $before);
        self::assertSame(['Currents'], $this->courses($this->database($before[1] ?? '')));
        $this->reel('reel:restore', $before[1] ?? '')->mustRun();
        self::assertSame(['Currents'], $this->courses($user));
    }

    public function test_what_was_ended_or_used_up_since_a_copy_was_made_stays_so(): void
    {
        $user = $this->database('live.sqlite');
        $user->exec(
            "INSERT INTO users (id, name, email, password) VALUES ('u', 'Wenna', 'w@saltmarsh.example', 'x');".
            "INSERT INTO lessons (id, title, width, height, fps) VALUES ('l', 'Tides', 1280, 720, 25);".
            "INSERT INTO devices (id, user_id, name, mark, used_at) VALUES ('d', 'u', 'Lost laptop', 'm', '2026-01-01');".
            'INSERT INTO invitations (id, token_hash, lesson_id, invited_by, role, ends_at) '.
            "VALUES ('i', 'h', 'l', 'u', 'owner', '2099-01-01 00:00:00')",
        );
        $copy = trim($this->reel('reel:backup', "{$this->folder}/copies")->mustRun()->getOutput());
        $user->exec('DELETE FROM devices; DELETE FROM invitations');
        $this->reel('reel:restore', $copy)->mustRun();
        $counts = array_map(fn (string $table): int => (int) $user->querySingle("SELECT count(*) FROM {$table}"), [
            'users', 'devices', 'invitations',
        ]);
        self::assertSame([1, 0, 0], $counts);
    }

    public function test_recordings_that_a_restored_database_lacks_are_told(): void
    {
        $user = $this->database('live.sqlite');
        $user->exec(
            "INSERT INTO lessons (id, title, width, height, fps) VALUES ('l', 'Tides', 1280, 720, 25);".
            "INSERT INTO sections (id, lesson_id, position, heading, script) VALUES ('s', 'l', 0, 'One', '');".
            "INSERT INTO takes (id, section_id, number, state, verdict) VALUES ('t', 's', 1, 'ready', 'kept');".
            "INSERT INTO tracks (id, take_id, kind, file_path) VALUES ('k', 't', 'camera', 'lessons/l/takes/t/media.webm')",
        );
        $copy = trim($this->reel('reel:backup', "{$this->folder}/copies")->mustRun()->getOutput());
        $said = $this->reel('reel:restore', $copy)->mustRun()->getOutput();
        self::assertStringContainsString('1 files of takes are missing, lessons/l/takes/t/media.webm among them.', $said);
    }

    public function test_only_the_newest_copies_stay_and_only_changes_make_new_ones(): void
    {
        $user = $this->database('live.sqlite');
        $process = $this->reel('reel:backup', "{$this->folder}/copies", '--every=0.005', '--keep=2');
        $process->start();
        $count = fn (): int => count(glob("{$this->folder}/copies/reel-*.sqlite") ?: []);
        $this->waitUntil(fn (): bool => $count() === 1, 20);
        usleep(1_500_000);
        self::assertSame(1, $count(), 'nothing has changed');
        foreach (['One', 'Two', 'Three'] as $name) {
            $this->write($user, $name);
            $this->waitUntil(fn (): bool => $name === last($this->courses($this->newest())), 20);
        }
        self::assertSame(2, $count());
        $process->stop(1);
        self::assertSame(['One', 'Three', 'Two'], collect($this->courses($this->newest()))->sort()->values()->all());
    }

    public function test_what_is_no_copy_is_refused_and_nothing_is_changed(): void
    {
        $user = $this->database('live.sqlite');
        $this->write($user, 'Tides');
        $copy = trim($this->reel('reel:backup', "{$this->folder}/copies")->mustRun()->getOutput());
        file_put_contents("{$this->folder}/words.sqlite", 'The sea.');
        file_put_contents("{$this->folder}/cut.sqlite", substr((string) file_get_contents($copy), 0, 40_000));
        copy($copy, "{$this->folder}/newer.sqlite");
        $this->database('newer.sqlite')
            ->exec("INSERT INTO migrations (migration, batch) VALUES ('2099_01_01_000000_let_boats_fly', 9)");
        foreach ([
            'nothing.sqlite' => 'is no copy', 'words.sqlite' => 'is no copy', 'cut.sqlite' => 'is ',
            'newer.sqlite' => 'was made by a newer Open Reel',
        ] as $file => $says) {
            $process = $this->reel('reel:restore', "{$this->folder}/{$file}");
            self::assertSame(1, $process->run(), $file);
            self::assertStringContainsString($says, $process->getOutput(), $file);
            self::assertStringNotContainsString('#0', $process->getOutput());
        }
        self::assertSame(['Tides'], $this->courses($user));
        self::assertSame(1, $this->reel('reel:backup', '/dev/null/copies')->run());
        self::assertSame(2, $this->reel('reel:backup', "{$this->folder}/copies", '--keep=none')->run());
    }

    private function reel(string ...$words): Process
    {
        return new Process([PHP_BINARY, base_path('artisan'), '--no-ansi', ...$words], base_path(), [
            'DB_DATABASE' => "{$this->folder}/live.sqlite", 'REEL_MEDIA_ROOT' => "{$this->folder}/media",
        ], timeout: 60);
    }

    private function database(string $file): \SQLite3
    {
        $database = new \SQLite3(str_starts_with($file, '/') ? $file : "{$this->folder}/{$file}");
        $database->enableExceptions(true);
        $database->busyTimeout(5000);

        return $database;
    }

    private function newest(): \SQLite3
    {
        return $this->database(last(glob("{$this->folder}/copies/reel-*.sqlite") ?: ['']));
    }

    private function write(\SQLite3 $database, string $course): void
    {
        $database->exec("INSERT INTO courses (id, name, style) VALUES ('{$course}', '{$course}', '{}')");
    }

    /** @return list<string> */
    private function courses(\SQLite3 $database): array
    {
        $rows = $database->query('SELECT name FROM courses ORDER BY rowid');
        $names = [];
        while ($rows instanceof \SQLite3Result && is_array($row = $rows->fetchArray(SQLITE3_NUM))) {
            $names[] = (string) $row[0];
        }

        return $names;
    }
}
