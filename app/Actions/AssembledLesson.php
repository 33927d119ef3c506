<?php

namespace App\Actions;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Segment;
use OpenReel\Core\Render\SegmentSpec;
use OpenReel\Core\Render\SoundSpec;

/** A lesson's assembly, and where the files lie that it names by their hash. */
final readonly class AssembledLesson
{
    /** @param  array<string, string>  $files  path on the media disk by hash */
    public function __construct(public Assembly $assembly, public array $files)
    {
    }

    /** @return list<SegmentSpec> */
    public function pictures(): array
    {
        return array_map(fn (Segment $s): SegmentSpec => SegmentSpec::of($s, $this->assembly->rate), $this->assembly->segments);
    }

    /** @return list<SoundSpec> */
    public function sounds(): array
    {
        $target = (float) config('reel.loudness.target_lufs');

        return array_map(fn (Segment $s): SoundSpec => SoundSpec::of($s, $this->assembly->rate, $target), $this->assembly->segments);
    }
}
