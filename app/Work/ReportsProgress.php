<?php

declare(strict_types=1);

namespace App\Work;

/** A job that goes on where it was broken off: as long as less is left each time, it is not the job that workers die of. */
interface ReportsProgress
{
    /** @return int|null how much there was to do when it was begun last, in a measure of its own; null when that is not known */
    public function left(): ?int;
}
