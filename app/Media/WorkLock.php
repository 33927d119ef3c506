<?php

declare(strict_types=1);

namespace App\Media;

/** How locks are taken, whatever kind they are of. */
final class WorkLock
{
    /** @return Lock|null null when another process holds it */
    public static function tryFor(string $name): ?Lock
    {
        return app(Locks::class)->tryFor($name);
    }

    /** Waits until it is free, letting other work go on meanwhile. */
    public static function for(string $name): Lock
    {
        while (($lock = self::tryFor($name)) === null) {
            Program::wait();
        }

        return $lock;
    }
}
