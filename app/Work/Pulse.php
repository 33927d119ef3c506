<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Contracts\Cache\Repository;

/** Workers say that they live whenever they look for work, and that they are busy when they have found some. */
final class Pulse
{
    /** A worker without work that is not heard of for so long is gone. */
    public const SECONDS = 60;

    private const EVERY_SECONDS = 10;

    private float $beat = 0.0;

    /** What this worker looks for, as it was told. */
    private string $queues = '';

    public function __construct(private readonly Repository $cache)
    {
    }

    /** @param  string  $queues  with commas between them */
    public function looking(string $queues): void
    {
        $this->queues = $queues;
        if (microtime(true) - $this->beat >= self::EVERY_SECONDS) {
            $this->beat = microtime(true);
            $this->say(busy: false);
        }
    }

    public function working(): void
    {
        // It says that it is free again as soon as it looks for more.
        $this->beat = 0.0;
        $this->say(busy: true);
    }

    /** @return bool whether somebody takes jobs of this queue; one that is busy counts, however long it is */
    public function isThere(QueueName $queue): bool
    {
        $last = $this->cache->get("pulse/{$queue->value}");

        return is_array($last) && ($last['busy'] || now()->getTimestamp() - $last['at'] <= self::SECONDS);
    }

    private function say(bool $busy): void
    {
        foreach (array_filter(explode(',', $this->queues)) as $queue) {
            $this->cache->forever("pulse/{$queue}", ['at' => now()->getTimestamp(), 'busy' => $busy]);
        }
    }
}
