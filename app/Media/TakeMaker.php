<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;

/** Makes of a recording, as it came from the recorder, files that play, seek and can be cut. The recording is left as it is. */
final class TakeMaker
{
    public function __construct(private readonly RecordingPass $pass, private readonly TrackStarts $starts)
    {
    }

    /**
     * The picture of the presenter and the voice are made in one pass, so that they keep step; whatever else was recorded in
     * passes of its own.
     *
     * @param  non-empty-list<Recording>  $recordings  at most one of each kind
     *
     * @throws UnreadableFile when there is nothing in them that can be used
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function make(array $recordings): MadeTake
    {
        $of = fn (TrackKind $kind): ?Recording => array_values(
            array_filter($recordings, fn (Recording $r): bool => $r->kind === $kind),
        )[0] ?? null;
        $main = $of(TrackKind::Camera) ?? ($of(TrackKind::Screen) ?? ($of(TrackKind::Microphone) ?? $recordings[0]));
        $microphone = $of(TrackKind::Microphone);
        $made = [];
        try {
            $pass = $this->pass->of($main, $microphone === $main ? null : $microphone);
            array_push($made, ...$pass->tracks);
            foreach ($recordings as $recording) {
                if ($recording !== $main && $recording !== $microphone) {
                    $offset = $this->starts->offset($recording, $microphone ?? $main);
                    array_push($made, ...$this->pass->of($recording, null, $offset)->tracks);
                }
            }
        } catch (\Throwable $e) {
            array_map(fn (MadeTrack $t): bool => @unlink($t->draft), $made);
            throw $e;
        }
        $length = max(array_map(fn (MadeTrack $t): int => $t->offset + $t->length->count, $made));

        return new MadeTake($made, $pass->files->levels, $main->offset, Tick::of($length));
    }
}
