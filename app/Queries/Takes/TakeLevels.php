<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Media\MediaStore;
use App\Models\Take;
use OpenReel\Core\Sound\Levels;

/** How loud a take's voice is, as it was kept when the take was read. */
final class TakeLevels
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @return Levels|null null of a take that was read before levels were kept */
    public function of(Take $take): ?Levels
    {
        $file = $take->folder().'/levels.dat';

        return $this->media->exists($file)
            ? Levels::unpacked((string) file_get_contents($this->media->path($file)))
            : null;
    }
}
