<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Script\SpeedCue;

/** A speed cue among a section's lines. */
final readonly class SpeedCueAt
{
    /**
     * @param  string|null  $line  id of the line it stands before or in; null behind the last
     * @param  float  $within  part of that line already spoken, 0..1
     * @param  int  $number  of the cue among its section's, counted from 0
     */
    public function __construct(public ?string $line, public float $within, public SpeedCue $cue, public int $number = 0)
    {
    }

    /**
     * Where they take effect.
     *
     * @param  list<self>  $cues
     * @return list<self>
     */
    public static function where(array $cues, CueTimeline $places): array
    {
        return array_map(function (self $cued) use ($places): self {
            $at = $cued->line === null ? null : $places->at($cued->line, $cued->within);

            return $at === null ? $cued : new self($at->line, $at->within, $cued->cue, $cued->number);
        }, $cues);
    }
}
