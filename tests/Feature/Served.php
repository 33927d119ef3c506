<?php

declare(strict_types=1);

namespace Tests\Feature;

use GuzzleHttp\Client;
use Symfony\Component\Process\Process;

/** `bin/serve` on a database and a media disk of its own. */
final class Served
{
    private function __construct(
        public readonly Processes $processes,
        public readonly Process $serve,
        public readonly int $port,
        public readonly Client $client,
    ) {
    }

    public static function begin(string ...$options): self
    {
        $processes = Processes::begin();
        $port = FreePort::any();
        $serve = $processes->command('bin/serve', '--port', (string) $port, ...$options);
        self::start($serve);

        return new self($processes, $serve, $port, new Client([
            'base_uri' => "http://127.0.0.1:{$port}", 'http_errors' => false, 'timeout' => 20, 'headers' => ['X-Open-Reel' => '1'],
        ]));
    }

    public function restart(): void
    {
        $this->serve->stop(8);
        self::start($this->serve);
    }

    private static function start(Process $serve): void
    {
        $serve->start();
        $until = microtime(true) + 30;
        while (! str_contains($serve->getOutput(), 'Open Reel runs at')) {
            if (microtime(true) > $until || ! $serve->isRunning()) {
                throw new \RuntimeException('bin/serve does not begin: '.$serve->getOutput().$serve->getErrorOutput());
            }
            usleep(20_000);
        }
    }

    /** @return array<int, string> the command of every process it has started and that is still there, by its number */
    public function started(): array
    {
        $found = $this->processes->running();
        $parents = [];
        foreach (glob('/proc/[0-9]*') ?: [] as $folder) {
            $pid = (int) basename($folder);
            $parents[$pid] = (int) (self::stat($pid)[1] ?? 0);
        }
        // Processes that rename themselves hide what they were started with: they are known by who started them.
        do {
            $before = count($found);
            foreach ($parents as $pid => $parent) {
                isset($found[$parent]) && $found[$pid] ??= trim(strtr((string) @file_get_contents("/proc/{$pid}/cmdline"), "\0", ' '));
            }
        } while (count($found) > $before);

        return $found;
    }

    /** One that has ended and of which nobody has taken notice is none any more. */
    public static function isAlive(int $pid): bool
    {
        return ! in_array(self::stat($pid)[0] ?? 'X', ['Z', 'X', ''], true);
    }

    /** @return list<string> state, parent and more: what stands behind the name, which may hold anything (proc(5)) */
    private static function stat(int $pid): array
    {
        return explode(' ', substr((string) strrchr((string) @file_get_contents("/proc/{$pid}/stat"), ')'), 2));
    }

    /** @return mixed what is answered */
    public function json(string $method, string $path, mixed $data = []): mixed
    {
        return json_decode((string) $this->client->request($method, $path, ['json' => $data])->getBody(), true);
    }

    /** A connection that asks for something, and what it then does is its own affair. */
    public function connection(string $says): mixed
    {
        $socket = stream_socket_client("tcp://127.0.0.1:{$this->port}", timeout: 5) ?: throw new \RuntimeException('No connection.');
        fwrite($socket, strtr($says, ["\n" => "\r\n", '{host}' => "127.0.0.1:{$this->port}"]));

        return $socket;
    }

    public function end(): void
    {
        $this->serve->stop(8);
        $this->processes->end();
    }
}
