<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Sound\Bed;

/** A section as the assembly sees it: with the passages that speak it, if there are any. */
final readonly class SectionSource
{
    /**
     * @param  PictureChoice  $opening  what is seen when the section begins
     * @param  list<Passage>  $passages  in the order in which they are heard
     * @param  list<PictureChange>  $changes  in order
     * @param  list<string>  $lines  ids of its lines, in order
     * @param  Join|null  $join  how it meets what comes before it; null is a cut
     * @param  list<OverlayShown>  $overlays  in order
     * @param  list<EmphasisShown>  $emphases  in order
     * @param  list<MusicCued>  $music  in order
     * @param  Bed|null  $sound  heard when it begins
     */
    public function __construct(
        public string $id,
        public string $heading,
        public PictureChoice $opening,
        public array $passages = [],
        public array $changes = [],
        public ?CardSource $card = null,
        public array $lines = [],
        public ?Join $join = null,
        public array $overlays = [],
        public array $emphases = [],
        public array $music = [],
        public ?Bed $sound = null,
    ) {
    }

    /** @param  int  $position  the section's, counted from 1 */
    public function title(int $position): string
    {
        return trim($this->heading) === '' ? "Section {$position}" : $this->heading;
    }

    /**
     * Its cues with those before lines that nobody has spoken yet moved to the next line that somebody has.
     *
     * @return list<PictureChange>
     */
    public function timedChanges(): array
    {
        $spoken = [];
        foreach ($this->passages as $passage) {
            $spoken += array_flip($passage->spoken());
        }
        $next = [];
        $following = null;
        foreach (array_reverse($this->lines) as $line) {
            $following = isset($spoken[$line]) ? $line : $following;
            $next[$line] = $following;
        }

        return array_map(function (PictureChange $change) use ($spoken, $next): PictureChange {
            $line = isset($spoken[$change->line]) ? null : $next[$change->line] ?? null;

            return $line === null ? $change : new PictureChange($line, 0.0, $change->then);
        }, $this->changes);
    }
}
