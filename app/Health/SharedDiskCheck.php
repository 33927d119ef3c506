<?php

declare(strict_types=1);

namespace App\Health;

use App\Media\DiskFull;
use App\Media\MediaStore;
use App\Media\Shared\DamagedCopy;
use App\Media\Shared\SharedDisk;
use App\Media\Shared\SharedDiskAway;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Str;

/** Whether the disk that several machines share takes files and gives them back. */
final class SharedDiskCheck implements Check
{
    private const ABOUT = 'shared disk';

    private const SECONDS = 10;

    public function __construct(
        private readonly SharedDisk $shared,
        private readonly MediaStore $media,
        private readonly Repository $cache,
    ) {
    }

    public function look(): array
    {
        if (! $this->shared->isThere()) {
            return [];
        }
        $waiting = $this->media->unsentFiles();
        $says = $waiting === 0 ? 'It has everything.' : "{$waiting} files are still on their way to it.";
        // Whoever asks for /up need not be a friend: not each of them costs three calls.
        $wrong = (string) $this->cache->remember('health/shared-disk', self::SECONDS, $this->tryIt(...));

        return [$wrong === '' ? Finding::good(self::ABOUT, $says) : Finding::bad(
            self::ABOUT, "It cannot be used: {$wrong}. {$says}",
            'See that it runs, has room, and that REEL_SHARED_* name it. What is recorded waits on this machine.',
        )];
    }

    /** @return string what is wrong with it, for whoever runs it; empty when nothing is */
    private function tryIt(): string
    {
        // In a folder whose files belong to nobody.
        $name = 'drafts/health-'.Str::ulid();
        [$sent, $back] = [$this->media->draft('health'), $this->media->draft('health')];
        try {
            $this->media->fill($sent, $name);
            $this->shared->put($name, $sent);
            if ($this->shared->fetch($name, $back) === null || file_get_contents($back) !== $name) {
                throw DamagedCopy::of($name);
            }
            $this->shared->remove($name);

            return '';
        } catch (SharedDiskAway|DamagedCopy|DiskFull $e) {
            return $e->detail;
        } finally {
            @unlink($sent);
            @unlink($back);
        }
    }
}
