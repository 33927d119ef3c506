<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Picture\CameraLook;

/** What a take sounds and looks like as a whole, to be compared with others. */
final readonly class TakeProfile
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
