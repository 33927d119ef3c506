<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Deck\ShownSlides;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\Script;

/** The slides of a lesson as its cues name them. */
final readonly class CuedDeck
{
    private ShownSlides $shown;

    /** @param  list<CuedSlide>  $slides  in the order of the deck */
    public function __construct(Script $script, private array $slides)
    {
        $this->shown = ShownSlides::of($script, array_map(fn (CuedSlide $s): string => $s->name, $slides));
    }

    /** The slide that a slide cue shows; null when there is none. */
    public function at(Cue $cue): ?CuedSlide
    {
        return $this->slides[$this->shown->at($cue) ?? -1] ?? null;
    }

    public function named(string $name): ?CuedSlide
    {
        return $this->slides[$this->shown->named($name) ?? -1] ?? null;
    }
}
