<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Transition;
use OpenReel\Core\Sound\MusicTrack;

/** A section as the assembly sees it: with the passages that speak it, if there are any. */
final readonly class SectionInput
{
    /**
     * @param  ShotStyle  $opening  what is seen when the section begins
     * @param  list<Passage>  $passages  in the order in which they are heard
     * @param  list<PictureCueAt>  $changes  in order
     * @param  list<string>  $lines  ids of its lines, in order
     * @param  Transition|null  $join  how it meets what comes before it; null is a cut
     * @param  list<OverlayCueAt>  $overlays  in order
     * @param  list<EmphasisCueAt>  $emphases  in order
     * @param  list<MusicCueAt>  $music  in order
     * @param  MusicTrack|null  $sound  heard when it begins
     */
    public function __construct(
        public string $id,
        public string $heading,
        public ShotStyle $opening,
        public array $passages = [],
        public array $changes = [],
        public ?CardSource $card = null,
        public array $lines = [],
        public ?Transition $join = null,
        public array $overlays = [],
        public array $emphases = [],
        public array $music = [],
        public ?MusicTrack $sound = null,
    ) {
    }

    /** @param  int  $position  the section's, counted from 1 */
    public function title(int $position): string
    {
        return trim($this->heading) === '' ? "Section {$position}" : $this->heading;
    }

    /** Where its cues fall in what is heard of it. */
    public function timeline(): CueTimeline
    {
        return CueTimeline::of($this->lines, $this->passages);
    }
}
