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
            // The web server with its children, two workers and what starts them again.
            $this->assertGreaterThan(8, count($processes->running()));

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

    private function answers(int $port): bool
    {
        return @file_get_contents("http://127.0.0.1:{$port}/api/lessons") === '[]';
    }
}
