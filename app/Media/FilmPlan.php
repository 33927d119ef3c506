<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundSpec;

/** A lesson's assembly, and where the files lie that it names by their hash. */
final readonly class FilmPlan
{
    /**
     * @param  array<string, string>  $files  path on the media disk by hash
     * @param  float  $target  LUFS
     */
    public function __construct(public Assembly $assembly, public array $files, public float $target)
    {
    }

    /** @return list<string> ids of the takes that are used */
    public function takes(): array
    {
        return array_values(array_unique(array_filter(array_map(fn (Segment $s): ?string => $s->take?->id, $this->assembly->segments))));
    }

    /** @return list<ShotSpec> one a shot, in order */
    public function pictures(): array
    {
        return array_merge([], ...array_map(fn (Segment $s): array => ShotSpec::all($s, $this->assembly->rate), $this->assembly->segments));
    }

    /** @return list<SoundSpec> one a segment, in order */
    public function sounds(): array
    {
        return array_map(fn (Segment $s): SoundSpec => SoundSpec::of($s, $this->assembly->rate, $this->target), $this->assembly->segments);
    }
}
