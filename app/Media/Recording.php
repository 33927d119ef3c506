<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Time\Tick;

/** What came from one recorder. */
final readonly class Recording
{
    /** @param  Tick  $offset  moment of the take at which it began */
    public function __construct(public TrackKind $kind, public string $path, public Tick $offset)
    {
    }
}
