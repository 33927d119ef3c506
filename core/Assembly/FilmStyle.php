<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\LogoPlacement;
use OpenReel\Core\Picture\Picture;

/** What holds for the whole of a film's picture. */
final readonly class FilmStyle
{
    /**
     * @param  string  $ground  RRGGBB, what is seen where nothing lies
     * @param  Layer|null  $draftMark  laid over what a stand-in voice reads
     * @param  bool  $hidesJumps  where the take changes inside a section, the presenter is framed a little closer or wider
     * @param  int  $fadeInMs  in which the film comes from the ground
     * @param  int  $fadeOutMs  in which it goes to it
     */
    public function __construct(
        public ?LogoPlacement $logo = null,
        public string $ground = Picture::GROUND,
        public ?Layer $draftMark = null,
        public bool $hidesJumps = false,
        public int $fadeInMs = 0,
        public int $fadeOutMs = 0,
    ) {
    }
}
