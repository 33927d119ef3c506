<?php

declare(strict_types=1);

namespace OpenReel\Core\Continuity;

use OpenReel\Core\Seeing\CameraLook;

/** What a take sounds and looks like as a whole, to be compared with others. */
final readonly class Character
{
    /**
     * @param  float|null  $voice  dBFS while somebody speaks; null when nobody does
     * @param  float|null  $noise  dBFS of the room
     * @param  CameraLook|null  $camera  null without a camera
     */
    public function __construct(public ?float $voice, public ?float $noise, public ?CameraLook $camera)
    {
    }
}
