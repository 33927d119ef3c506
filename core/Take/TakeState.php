<?php

declare(strict_types=1);

namespace OpenReel\Core\Take;

/** How far a take has come on its way from the recorder to the lesson. */
enum TakeState: string
{
    /** Chunks are arriving, or the recorder was cut off and has not come back. */
    case Recording = 'recording';

    /** Everything arrived; the sound is being listened to. It can be played already. */
    case Ingesting = 'ingesting';

    case Ready = 'ready';

    /** Nothing in it can be played. `problem` says why. */
    case Unusable = 'unusable';
}
