<?php

declare(strict_types=1);

namespace App\Media;

/** What is known of a file of the media disk without opening it. */
final readonly class StoredFile
{
    /** @param  int  $made  Unix time at which it was written, or last used where that is noted */
    public function __construct(public int $bytes, public int $made)
    {
    }
}
