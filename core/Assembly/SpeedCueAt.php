<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\ScriptSection;
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
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @return list<self> in order; what cannot be read is passed over
     */
    public static function in(ScriptSection $section, array $lines): array
    {
        $cued = [];
        foreach ($section->cues as $number => $cue) {
            $speed = $cue->kind === CueKind::Speed ? SpeedCue::parse($cue->value) : null;
            if ($speed !== null) {
                $cued[] = new self($lines[$cue->line - 1] ?? null, $cue->within, $speed, $number);
            }
        }

        return $cued;
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
