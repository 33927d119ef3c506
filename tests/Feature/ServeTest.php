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
        $served = Served::begin('--workers', '1');
        $left = [];
        try {
            $this->assertSame('[]', (string) $served->client->get('/api/lessons')->getBody());
            $started = $served->started();
            // nginx and PHP-FPM with their children, four workers and what starts them again.
            $this->assertGreaterThan(16, count($started));
            $this->whatCanWaitGivesWay($served);

            posix_kill((int) $served->serve->getPid(), $signal);
            $alive = fn (): array => $left = array_filter(
                $started + $served->started(), Served::isAlive(...), ARRAY_FILTER_USE_KEY,
            );
            $this->waitUntil(function () use ($alive, $served): bool {
                $served->serve->isRunning();

                return $alive() === [];
            }, 8);
            $this->assertSame([], $alive());
            $this->assertFalse(@fsockopen('127.0.0.1', $served->port, timeout: 1));
        } finally {
            array_map(fn (int $pid): bool => posix_kill($pid, SIGKILL), array_keys($left));
            $served->end();
        }
    }

    /** The web server and whoever listens to takes come first, within their session and as a session. */
    private function whatCanWaitGivesWay(Served $served): void
    {
        $standing = function (string $begins, string $command = '') use ($served): string {
            $pid = array_key_first(array_filter(
                $served->started(), fn (string $c): bool => str_starts_with($c, $begins) && str_contains($c, $command),
            ));
            $session = @file_get_contents("/proc/{$pid}/autogroup");

            return pcntl_getpriority((int) $pid).(is_string($session) ? strrchr(trim($session), ' ') : ' none');
        };
        $first = $standing('php-fpm: pool recording');
        $this->waitUntil(
            fn (): bool => $standing('php', '--queue=hear') !== $first && $standing('php', '--queue=default,') !== $first, 10,
        );
        $this->assertContains($first, ['0 0', '0 none']);
        $this->assertSame($first, $standing('nginx: worker'));
        $this->assertSame($first, $standing('php', '--queue=listen'));
        // What was just said is waited for; a film is got ready ahead of need.
        $this->assertSame(str_replace('0', '5', $first), $standing('php', '--queue=hear'));
        $this->assertSame(str_replace('0', '10', $first), $standing('php', '--queue=default,'));
    }

    public function test_a_port_that_something_else_listens_on_is_refused(): void
    {
        $other = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $port = substr((string) strrchr((string) stream_socket_get_name($other, false), ':'), 1);
        $serve = new Process(['bin/serve', '--port', $port], base_path());
        $this->assertSame(1, $serve->run());
        $this->assertStringContainsString("Something else listens on port {$port}.", $serve->getErrorOutput());
    }

    public function test_a_port_that_is_no_number_is_refused(): void
    {
        $serve = new Process(['bin/serve', '--port', '80a'], base_path());
        $this->assertSame(2, $serve->run());
        $this->assertStringContainsString('whole numbers', $serve->getErrorOutput());
    }
}
