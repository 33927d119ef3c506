<?php

declare(strict_types=1);

namespace App\Upkeep;

use App\Media\MediaStore;
use App\Media\Shared\LocalCopies;
use App\Media\Shared\SharedDiskAway;
use App\Work\LostJobs;
use App\Work\SameEncoder;
use Illuminate\Support\Facades\Log;

/** What a worker without the database does before it looks for work. */
final class UpkeepWithoutDatabase
{
    private const LOOK_SECONDS = 2;

    private const SWEEP_SECONDS = 600;

    private float $looked = 0.0;

    private float $swept = 0.0;

    private bool $mayWork = true;

    public function __construct(
        private readonly MediaStore $media,
        private readonly LocalCopies $copies,
        private readonly SameEncoder $encoder,
    ) {
    }

    /** @return bool whether this machine may work */
    public function __invoke(): bool
    {
        LostJobs::release();
        if (microtime(true) - $this->looked >= self::LOOK_SECONDS) {
            $this->looked = microtime(true);
            $this->mayWork = $this->settle();
        }

        return $this->mayWork && $this->encoder->isSame();
    }

    private function settle(): bool
    {
        try {
            // What could not be put there is of no use to anybody until it is.
            $this->media->sendUnsent();
            if (microtime(true) - $this->swept >= self::SWEEP_SECONDS) {
                $this->swept = microtime(true);
                $this->media->sweepDrafts();
                $this->copies->sweep((int) config('reel.local_bytes'));
            }

            return true;
        } catch (SharedDiskAway $away) {
            $this->mayWork && Log::error('The shared disk cannot be reached; this worker waits for it', $away->context());

            return false;
        }
    }
}
