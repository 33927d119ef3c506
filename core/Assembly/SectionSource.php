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

    /** @return list<PictureChange> its cues, where they take effect */
    public function timedChanges(): array
    {
        $places = $this->places();

        return array_map(
            fn (PictureChange $c): PictureChange => new PictureChange(...[...$places->at($c->line, $c->within), $c->then]),
            $this->changes,
        );
    }

    /** @return list<OverlayShown> key caps and names, where they are shown */
    public function timedOverlays(): array
    {
        $places = $this->places();

        return array_map(
            fn (OverlayShown $o): OverlayShown => new OverlayShown(
                ...[...$places->at($o->line, $o->within), $o->layer, $o->milliseconds],
            ),
            $this->overlays,
        );
    }

    public function places(): SpokenPlaces
    {
        return SpokenPlaces::of($this->lines, $this->passages);
    }
}
