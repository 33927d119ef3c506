<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Analysis\SyncOffset;
use OpenReel\Core\Render\IngestCommand;

/** When recordings that were made together began: told by the voice that is in both, else as the recorder noted it. */
final class TrackStarts
{
    /** Beginnings are listened to, not whole recordings; one that takes longer has run wild. */
    private const SECONDS = 120.0;

    public function __construct(private readonly Encoder $encoder, private readonly MediaStore $media)
    {
    }

    /**
     * When a recording began, in ticks of the take: told by the voice in it, where that is also in the other one and loud
     * enough; else as the recorder noted it.
     */
    public function offset(Recording $recording, Recording $voice): int
    {
        $lag = $recording->inStep ? SyncOffset::between($this->beginning($voice), $this->beginning($recording)) : null;

        return $lag === null ? $recording->offset->count : $voice->offset->count - $lag;
    }

    /** By how many ticks a microphone of its own began later than the picture it belongs to. */
    public function later(Recording $microphone, Recording $main): int
    {
        $lag = $main->inStep ? SyncOffset::between($this->beginning($microphone), $this->beginning($main)) : null;

        return $lag ?? $microphone->offset->count - $main->offset->count;
    }

    /** @return list<int> samples as SyncOffset wants them; none when there is no sound in it */
    private function beginning(Recording $recording): array
    {
        $pcm = $this->media->draft('pcm');
        try {
            $this->encoder->run(IngestCommand::beginning($recording->path, $pcm), seconds: self::SECONDS);

            return array_map(
                fn (int $v): int => $v >= 32768 ? $v - 65536 : $v,
                array_values(unpack('v*', (string) file_get_contents($pcm)) ?: []),
            );
        } catch (ProgramFailed) {
            return [];
        } finally {
            @unlink($pcm);
        }
    }
}
