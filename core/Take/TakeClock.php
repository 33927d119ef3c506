<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\Event\Paused;
use OpenReel\Core\Take\Event\Resumed;
use OpenReel\Core\Take\Event\TakeEvent;

/**
 * Turns wall time into take time. A pause leaves no gap in a browser's recording, so everything after a pause lies
 * earlier in the take than on the wall.
 */
final readonly class TakeClock
{
    /** @param  list<array{int, int|null}>  $pauses  wall milliseconds from and until; null while still paused */
    private function __construct(private array $pauses)
    {
    }

    /** @param  list<TakeEvent>  $events  in order of time; a second pause or resume in a row changes nothing */
    public static function fromEvents(array $events): self
    {
        $pauses = [];
        $since = null;
        foreach ($events as $event) {
            if ($event instanceof Paused) {
                $since ??= $event->atMs;
            } elseif ($event instanceof Resumed && $since !== null) {
                $pauses[] = [$since, $event->atMs];
                $since = null;
            }
        }
        if ($since !== null) {
            $pauses[] = [$since, null];
        }

        return new self($pauses);
    }

    /** Where in the take a moment of wall time lies; every moment of a pause is the place where it began. */
    public function at(int $wallMs): Tick
    {
        $paused = 0;
        foreach ($this->pauses as [$from, $until]) {
            $paused += max(0, min($wallMs, $until ?? $wallMs) - $from);
        }

        return Tick::ofMilliseconds(max(0, $wallMs - $paused));
    }
}
