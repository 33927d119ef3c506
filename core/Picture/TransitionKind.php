<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

enum TransitionKind: string
{
    case Cut = 'cut';

    /** Both pictures are seen together while one becomes the other: the film is as much shorter as that lasts. */
    case Dissolve = 'dissolve';

    /** One picture pushes the other out to the left: they are seen together, and the film is as much shorter. */
    case Push = 'push';

    /** One picture goes to the ground's colour, and the other comes from it. */
    case Dip = 'dip';

    /** Whether both sides are seen and heard together while they change over. */
    public function overlaps(): bool
    {
        return $this === self::Dissolve || $this === self::Push;
    }
}
