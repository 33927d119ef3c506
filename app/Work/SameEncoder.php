<?php

declare(strict_types=1);

namespace App\Work;

use App\Media\Encoder;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Log;

/**
 * Pieces made by different encoders are never joined. The machine with the database says which encoder it has; a worker elsewhere
 * that has another one waits, and says so, until both are the same.
 */
final class SameEncoder
{
    private const KEY = 'cluster/encoder';

    private const LOOK_SECONDS = 5;

    private float $looked = 0.0;

    private bool $isSame = true;

    public function __construct(private readonly Encoder $encoder, private readonly Repository $cache)
    {
    }

    /** Said by the machine that plans the pieces. */
    public function say(): void
    {
        $this->cache->forever(self::KEY, $this->encoder->version());
    }

    /** @return bool whether this machine may work */
    public function isSame(): bool
    {
        if (microtime(true) - $this->looked < self::LOOK_SECONDS) {
            return $this->isSame;
        }
        $this->looked = microtime(true);
        $wanted = $this->cache->get(self::KEY);
        $was = $this->isSame;
        $this->isSame = $wanted === null || $wanted === $this->encoder->version();
        if ($was && ! $this->isSame) {
            Log::error('This machine has another encoder than the one with the database, and waits until both are the same', [
                'here' => $this->encoder->version(), 'wanted' => $wanted,
            ]);
        }

        return $this->isSame;
    }
}
