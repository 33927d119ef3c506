<?php

declare(strict_types=1);

namespace Tests\Feature;

use Symfony\Component\Process\Process;

/** A small S3-compatible server with one bucket, on this machine. */
final class S3Server
{
    private const BUCKET = 'films';

    private function __construct(private readonly Process $process, private readonly int $port)
    {
    }

    public static function start(string $folder): self
    {
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        $process = new Process([
            'node', base_path('node_modules/s3rver/bin/s3rver.js'), '-d', $folder, '-p', (string) $port,
            '-a', '127.0.0.1', '--configure-bucket', self::BUCKET,
        ]);
        $process->setTimeout(null);
        $process->start();
        $process->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'listening'));

        return new self($process, $port);
    }

    /** @return array<string, mixed> what a disk must say to reach it */
    public function disk(): array
    {
        return [
            'driver' => 's3', 'bucket' => self::BUCKET, 'key' => 'S3RVER', 'secret' => 'S3RVER',
            'endpoint' => "http://127.0.0.1:{$this->port}", 'root' => '',
        ];
    }

    public function stop(): void
    {
        $this->process->stop(1);
    }
}
