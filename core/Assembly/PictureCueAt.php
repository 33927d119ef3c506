<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** A cue among a section's lines that changes what is seen. */
final readonly class PictureCueAt
{
    /**
     * @param  string  $line  id of the line it stands before or in
     * @param  float  $within  part of that line already spoken, 0..1
     * @param  ShotStyle  $then  all of what is seen from there on
     */
    public function __construct(public string $line, public float $within, public ShotStyle $then)
    {
    }
}
