<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

/** What `bin/serve` starts ends with it. */
final class ServeTest extends FeatureTestCase
{
    #[TestWith([SIGTERM])]
    #[TestWith([SIGINT])]
    #[TestWith([SIGKILL])]
    public function test_everything_ends_however_it_is_stopped(int $signal): void
    {
        $processes = Processes::begin();
        $port = $this->freePort();
        $serve = $processes->command('bin/serve', '--port', (string) $port, '--workers', '1');
        try {
            $serve->start();
            $this->waitUntil(fn (): bool => str_contains($serve->getOutput(), 'Open Reel runs at'), 20);
            $this->assertTrue($this->answers($port));
            $this->assertStringContainsString(' 400 ', $this->statusOf($port, '/%00'));
            $this->assertStringContainsString(' 400 ', $this->statusOf($port, '/build/%0a'));
            // The web server with its children, two workers and what starts them again.
            $this->assertGreaterThan(8, count($processes->running()));
            $this->whatCanWaitGivesWay($processes);

            posix_kill((int) $serve->getPid(), $signal);
            $this->waitUntil(fn (): bool => $processes->running() === [], 8);
            $this->assertSame([], $processes->running());
            $this->assertFalse($this->answers($port));
        } finally {
            $serve->stop(0);
            array_map(fn (int $pid): bool => posix_kill($pid, SIGKILL), array_keys($processes->running()));
            $processes->end();
        }
    }

    /** The web server and whoever listens to takes come first, within their session and as a session. */
    private function whatCanWaitGivesWay(Processes $processes): void
    {
        $standing = function (string $command) use ($processes): string {
            $pid = array_key_first(array_filter(
                $processes->running(), fn (string $c): bool => str_starts_with($c, 'php') && str_contains($c, $command),
            ));
            $session = @file_get_contents("/proc/{$pid}/autogroup");

            return pcntl_getpriority((int) $pid).(is_string($session) ? strrchr(trim($session), ' ') : ' none');
        };
        $first = $standing(' -S ');
        $this->waitUntil(fn (): bool => $standing('--queue=hear') !== $first && $standing('--queue=default') !== $first, 10);
        $this->assertContains($first, ['0 0', '0 none']);
        $this->assertSame($first, $standing('--queue=listen'));
        // What was just said is waited for; a film is got ready ahead of need.
        $this->assertSame(str_replace('0', '5', $first), $standing('--queue=hear'));
        $this->assertSame(str_replace('0', '10', $first), $standing('--queue=default'));
    }

    public function test_a_port_that_is_no_number_is_refused(): void
    {
        $serve = new Process(['bin/serve', '--port', '80a'], base_path());
        $this->assertSame(2, $serve->run());
        $this->assertStringContainsString('whole numbers', $serve->getErrorOutput());
    }

    private function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $this->assertNotFalse($socket);
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    private function statusOf(int $port, string $address): string
    {
        $context = stream_context_create(['http' => ['ignore_errors' => true]]);
        @file_get_contents("http://127.0.0.1:{$port}{$address}", false, $context);

        return $http_response_header[0] ?? '';
    }

    private function answers(int $port): bool
    {
        return @file_get_contents("http://127.0.0.1:{$port}/api/lessons") === '[]';
    }
}
