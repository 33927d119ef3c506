<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\Zoom;

/** A picture that is laid over the stage: a label, or one of the lesson's own. */
final readonly class Overlay
{
    /**
     * @param  float  $x  of its left upper corner, in parts of the stage's picture (0..1)
     * @param  float|null  $width  likewise; null when it is as large as it is drawn, however the stage is zoomed
     */
    public function __construct(public Still $picture, public float $x, public float $y, public ?float $width = null)
    {
    }

    /** @return Layer|null null when the part of the stage that is seen does not have it */
    public function layer(PixelRect $stage, Zoom $zoom): ?Layer
    {
        $rect = $this->rect($stage, $zoom->part ?? Crop::whole());
        if ($zoom->frames > 0) {
            $from = $this->rect($stage, $zoom->from ?? Crop::whole());

            return new Layer($this->picture, $rect, motion: new Motion($from, $zoom->frames));
        }

        return $rect->overlaps($stage) ? new Layer($this->picture, $rect) : null;
    }

    private function rect(PixelRect $stage, Crop $part): PixelRect
    {
        $shape = $this->picture->shape;
        $width = $this->width === null
            ? $shape->width
            : max(2, PixelRect::even($this->width / $part->width * $stage->width));
        $height = $this->width === null ? $shape->height : max(2, PixelRect::even($width / $shape->aspect()));

        return new PixelRect(
            PixelRect::even($stage->x + ($this->x - $part->x) / $part->width * $stage->width),
            PixelRect::even($stage->y + ($this->y - $part->y) / $part->height * $stage->height),
            $width,
            $height,
        );
    }
}
