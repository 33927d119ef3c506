<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Tick;

/** The picture by which a film is known: of its title card where it begins with one, else of what is seen first. */
final class Thumbnail
{
    /** Pixels across: what course sites and pages that link to a film ask for. */
    public const WIDTH = 1280;

    /** Of a smaller one, for lists. */
    public const SMALL_WIDTH = 480;

    /** The middle of the first shot: nothing fades or moves any more there. */
    public static function of(Assembly $assembly): Tick
    {
        $first = $assembly->segments[0] ?? null;
        $frames = $first === null ? 0 : ($first->passage === null ? $first->frames : $first->shots[0]->frames);

        return Tick::ofFrames(intdiv($frames, 2), $assembly->rate);
    }
}
