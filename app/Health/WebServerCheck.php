<?php

declare(strict_types=1);

namespace App\Health;

use App\Web\Authority;
use App\Web\Pool;
use App\Web\PoolStatus;
use App\Web\WebServer;

/** Whether nginx and PHP-FPM answer, and whether anybody waits for them. */
final class WebServerCheck implements Check
{
    /** A server that runs has renewed its certificate long before. */
    private const CERTIFICATE_DAYS = 14;

    public function look(): array
    {
        if (! config('reel.has_database')) {
            return [];
        }
        $findings = array_map($this->of(...), WebServer::running());
        $certificate = $this->certificate();

        return [...$findings !== [] ? $findings : [Finding::doubtful(
            'web server', 'None of this installation runs on this machine, as far as can be seen.',
            'Start bin/serve, or the services that bin/reel web-config prints.',
        )], ...$certificate === null ? [] : [$certificate]];
    }

    /** Of `bin/serve --lan`, where it was ever used. */
    private function certificate(): ?Finding
    {
        $ends = Authority::here()->endsAt();
        if ($ends === null) {
            return null;
        }
        $days = intdiv($ends - now()->getTimestamp(), 86_400);
        $says = 'The one for the local network ends on '.date('j F Y', $ends).'.';

        return $days >= self::CERTIFICATE_DAYS
            ? Finding::good('certificate', $says)
            : Finding::doubtful('certificate', $says, 'bin/serve --lan renews it: start it again, if other devices are still let in.');
    }

    private function of(WebServer $server): Finding
    {
        $about = "web server {$server->listen[0]}";
        $nginx = @stream_socket_client("unix://{$server->connectionsSocket()}", timeout: 1);
        if ($nginx === false) {
            return Finding::bad($about, 'PHP-FPM answers, nginx does not.', 'See storage/logs/nginx.log, and start it again.');
        }
        fclose($nginx);
        $says = $full = [];
        foreach (Pool::cases() as $pool) {
            $status = PoolStatus::of($server, $pool);
            if ($status === null) {
                return Finding::bad($about, "Nobody answers in the pool {$pool->value}.", 'See storage/logs/php-fpm.log.');
            }
            $says[] = "{$pool->value} {$status->busy} of {$status->most} busy";
            $status->waiting > 0 && $full[] = $pool->value;
        }

        return $full === []
            ? Finding::good($about, 'nginx and PHP-FPM answer: '.implode(', ', $says).'.')
            : Finding::doubtful(
                $about, 'Requests wait for a process: '.implode(', ', $says).'.',
                'A while of it is nothing; all day long more cores help, and then more processes.',
            );
    }
}
