<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;

/** A slide of the lesson as cues name it. */
final readonly class CuedSlide
{
    /**
     * @param  Still  $still  all of it, complete
     * @param  Stage|null  $stage  as it comes on the stage: with steps, or as a film; null when that is the same
     */
    public function __construct(public string $name, public Still $still, private ?Stage $stage = null)
    {
    }

    public function stage(): Stage
    {
        return $this->stage ?? Stage::slide($this->still);
    }
}
