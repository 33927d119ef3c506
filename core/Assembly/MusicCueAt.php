<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\MusicCue;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\WordPlace;
use OpenReel\Core\Sound\MusicTrack;

/** A cue at which music begins or ends. */
final readonly class MusicCueAt
{
    /** @param  MusicTrack|null  $bed  null when the music ends, or when there is none of that name */
    public function __construct(public WordPlace $place, public MusicCue $cue, public ?MusicTrack $bed)
    {
    }

    /**
     * @param  list<MusicTrack>  $beds  the music there is
     * @return list<self> in order; what cannot be read is passed over
     */
    public static function in(ScriptSection $section, array $beds): array
    {
        $cued = [];
        foreach ($section->cues as $cue) {
            $music = $cue->kind === CueKind::Music ? MusicCue::parse($cue->value) : null;
            if ($music !== null) {
                $bed = $music->name === null ? null : MusicTrack::named($music->name, $beds);
                $cued[] = new self(WordPlace::of($cue), $music, $bed);
            }
        }

        return $cued;
    }
}
