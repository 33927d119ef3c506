<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\InsetSize;

/** Which of the course's logos lies over the picture, and where. */
final readonly class LogoChoice
{
    /** @param  string|null  $id  null for none */
    public function __construct(public ?string $id, public Corner $corner, public InsetSize $size)
    {
    }
}
