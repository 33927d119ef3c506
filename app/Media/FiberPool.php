<?php

declare(strict_types=1);

namespace App\Media;

/** Does several pieces of work at a time in one process: while one waits for its program, the others go on. */
final class FiberPool
{
    private const POLL_MICROSECONDS = 3_000;

    /**
     * Starts the work in order, at most `$places` at a time, and returns when all is done. A piece may wait for earlier
     * ones, never for later ones. When one piece fails, the
     * others are stopped and the failure is thrown on.
     *
     * @param  list<callable(): void>  $work
     */
    public static function run(array $work, int $places): void
    {
        if (! self::canSwitch()) {
            foreach ($work as $piece) {
                $piece();
            }

            return;
        }
        /** @var list<\Fiber<void, void, void, void>> $busy */
        $busy = [];
        try {
            while ($work !== [] || $busy !== []) {
                while ($work !== [] && count($busy) < max(1, $places)) {
                    $fiber = new \Fiber(array_shift($work));
                    $busy[] = $fiber;
                    $fiber->start();
                }
                foreach ($busy as $fiber) {
                    if ($fiber->isSuspended()) {
                        $fiber->resume();
                    }
                }
                $busy = array_values(array_filter($busy, fn (\Fiber $f): bool => ! $f->isTerminated()));
                if ($busy !== []) {
                    usleep(self::POLL_MICROSECONDS);
                }
            }
        } finally {
            foreach ($busy as $fiber) {
                self::stop($fiber);
            }
        }
    }

    /** PHP does not switch fibers in a destructor, which is where Laravel runs jobs of the sync queue. */
    private static function canSwitch(): bool
    {
        try {
            (new \Fiber(fn () => null))->start();

            return true;
        } catch (\FiberError) {
            return false;
        }
    }

    /** @param  \Fiber<void, void, void, void>  $fiber */
    private static function stop(\Fiber $fiber): void
    {
        try {
            if ($fiber->isSuspended()) {
                $fiber->throw(Cancelled::byPresenter());
            }
        } catch (Cancelled) {
            // Its programs are stopped and its half-written files removed on the way out.
        }
    }
}
