<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;

/** What was made of a take's recordings, and what was heard of the voice. */
final readonly class MadeTake
{
    /**
     * @param  list<MadeTrack>  $tracks  at most one of each kind
     * @param  Levels|null  $voice  null without a voice
     * @param  Tick  $voiceFrom  moment of the take at which the voice's file begins
     */
    public function __construct(public array $tracks, public ?Levels $voice, public Tick $voiceFrom, public Tick $length)
    {
    }
}
