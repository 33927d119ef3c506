<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\Zoom;

/** The way from one part of a stage to another. */
final readonly class ZoomWay
{
    /**
     * @param  Crop|null  $from  the part that is seen when it begins; null for the whole stage
     * @param  int  $frames  that it takes; 0 when the other part is there at once
     */
    public function __construct(public ?Crop $from = null, public int $frames = 0)
    {
    }

    public function takes(int $frames): self
    {
        return new self($this->from, $frames);
    }

    /** What is left of it once some frames have gone. */
    public function rest(?Crop $to, int $done): self
    {
        return $done >= $this->frames ? new self($to) : new self($this->partAt($to, $done), $this->frames - $done);
    }

    /** How the stage is seen from one of its frames on. */
    public function zoom(?Crop $to, int $done): Zoom
    {
        return $done >= $this->frames
            ? new Zoom($to)
            : new Zoom($to, $this->frames - $done, $done === 0 ? $this->from : $this->partAt($to, $done));
    }

    private function partAt(?Crop $to, int $done): Crop
    {
        $whole = Crop::whole();

        return ($this->from ?? $whole)->towards($to ?? $whole, Ease::Soft->at($done / $this->frames));
    }
}
