<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** How the lines of an emphasis look. */
final readonly class EmphasisLook
{
    /** Widths of lines in Figure::UNITS, by their word in a cue. */
    public const WIDTHS = ['thin' => 55, 'medium' => 90, 'thick' => 150];

    /**
     * @param  bool  $isHandDrawn  as a pen leaves it, and not quite straight
     * @param  int  $line  width of lines, in Figure::UNITS
     * @param  int  $drawnMs  in which it is drawn on; 0 is at once
     */
    public function __construct(
        public bool $isHandDrawn = false,
        public int $line = self::WIDTHS['medium'],
        public int $drawnMs = 0,
    ) {
    }
}
