<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\MediaStore;
use App\Media\Shared\SharedDisk;
use App\Upkeep\Upkeep;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;

/** A small S3-compatible server with one bucket, on this machine. */
final class S3Server
{
    private const BUCKET = 'films';

    private function __construct(
        private Process $process,
        private readonly int $port,
        private readonly string $folder,
    ) {
    }

    public static function start(string $folder): self
    {
        $port = FreePort::any();

        return new self(self::process($folder, $port), $port, $folder);
    }

    private static function process(string $folder, int $port): Process
    {
        $process = new Process([
            'node', base_path('node_modules/s3rver/bin/s3rver.js'), '-d', $folder, '-p', (string) $port,
            '-a', '127.0.0.1', '--configure-bucket', self::BUCKET,
        ]);
        $process->setTimeout(null);
        $process->start();
        $process->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'listening'));

        return $process;
    }

    /** From here on the application shares this disk with others. */
    public function share(): self
    {
        config(['filesystems.disks.shared' => $this->disk() + config('filesystems.disks.shared')]);
        Storage::forgetDisk('shared');
        foreach ([SharedDisk::class, MediaStore::class, Upkeep::class] as $one) {
            app()->forgetInstance($one);
        }

        return $this;
    }

    /** As after a fault: with what lies in its folder. */
    public function startAgain(): void
    {
        $this->process = self::process($this->folder, $this->port);
    }

    public function kill(): void
    {
        $this->process->stop(0, SIGKILL);
    }

    /** @return array<string, string> the same as `disk` for the shared one, to processes of their own */
    public function environment(): array
    {
        return [
            'REEL_SHARED_DRIVER' => 's3', 'REEL_SHARED_BUCKET' => self::BUCKET, 'REEL_SHARED_KEY' => 'S3RVER',
            'REEL_SHARED_SECRET' => 'S3RVER', 'REEL_SHARED_ENDPOINT' => "http://127.0.0.1:{$this->port}",
        ];
    }

    /** Where the server keeps the bytes of an object. */
    public function fileOf(string $name): string
    {
        return "{$this->folder}/".self::BUCKET."/{$name}._S3rver_object";
    }

    /** @return array<string, mixed> what a disk must say to reach it */
    public function disk(): array
    {
        return [
            'driver' => 's3', 'bucket' => self::BUCKET, 'key' => 'S3RVER', 'secret' => 'S3RVER',
            'endpoint' => "http://127.0.0.1:{$this->port}", 'root' => '',
        ];
    }

    /** With all that was put there. */
    public function stop(): void
    {
        $this->process->stop(1);
        File::deleteDirectory($this->folder);
    }
}
