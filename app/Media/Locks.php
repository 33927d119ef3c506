<?php

declare(strict_types=1);

namespace App\Media;

/**
 * Locks between processes that open again when their holder dies, however it dies. So work that was cut off can be taken up at
 * once, and work still going on is never done twice. On one machine they are files; many machines need another kind.
 */
interface Locks
{
    /** @return Lock|null null when another process holds it */
    public function tryFor(string $name): ?Lock;
}
