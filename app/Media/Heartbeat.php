<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Says in Redis that this process lives, every second, also while it is busy: a small program beside it does, which dies with it.
 * Of a process that says nothing any more the locks are open a few seconds later.
 */
final class Heartbeat
{
    public const KEY = 'alive/';

    /** @var resource|null */
    private $program = null;

    private ?string $id = null;

    /** @return string what this process is called there; it beats when this returns */
    public function beats(): string
    {
        if ($this->id !== null && is_resource($this->program) && proc_get_status($this->program)['running']) {
            return $this->id;
        }
        // Another name: what was held under the one before may be open by now.
        $id = bin2hex(random_bytes(8));
        $this->begin($id);

        return $this->id = $id;
    }

    private function begin(string $id): void
    {
        $redis = (array) config('database.redis.default');
        $says = [
            'host' => $redis['host'], 'port' => (int) $redis['port'], 'password' => (string) ($redis['password'] ?? ''),
            'database' => (int) ($redis['database'] ?? 0),
            'key' => config('database.redis.options.prefix').self::KEY.$id,
        ];
        $command = [...Sandbox::ending(), PHP_BINARY, base_path('bin/heartbeat.php')];
        $null = ['file', '/dev/null', 'a'];
        $program = proc_open($command, [['pipe', 'r'], ['pipe', 'w'], $null], $pipes);
        if ($program === false) {
            throw ProgramMissing::named('php');
        }
        // What is secret stands in no list of processes.
        fwrite($pipes[0], (string) json_encode($says));
        fclose($pipes[0]);
        $isThere = fgets($pipes[1]);
        if ($isThere === false) {
            proc_close($program);
            throw new \RuntimeException('Redis cannot be reached.');
        }
        $this->program = $program;
    }
}
