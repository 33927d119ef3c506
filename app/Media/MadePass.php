<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\IngestCommand;

/** What a pass over a recording made, as tracks of its take. */
final readonly class MadePass
{
    /** @var non-empty-list<MadeTrack> */
    public array $tracks;

    /**
     * @param  TrackKind  $kind  of the recording
     * @param  int  $offset  ticks of the take at which it begins
     *
     * @throws UnreadableFile when there is nothing in it
     */
    public function __construct(public MadeFiles $files, TrackKind $kind, int $offset)
    {
        $tracks = array_values(array_filter([self::picture($files, $kind, $offset), self::sound($files, $kind, $offset)]));
        $this->tracks = $tracks === []
            ? throw UnreadableFile::because('There is neither picture nor sound in this recording.')
            : $tracks;
    }

    private static function picture(MadeFiles $made, TrackKind $kind, int $offset): ?MadeTrack
    {
        $facts = $made->facts;
        $isCopied = $facts->videoCodec !== null && IngestCommand::copies($facts->videoCodec);

        return $made->media === null ? null : new MadeTrack(
            $kind->isPicture() ? $kind : TrackKind::Camera,
            $made->media,
            $made->length,
            $offset,
            [$facts->width, $facts->height],
            $isCopied ? $facts->range : 'tv',
            $isCopied ? $facts->matrix : 'bt709',
        );
    }

    private static function sound(MadeFiles $made, TrackKind $kind, int $offset): ?MadeTrack
    {
        // What comes with a screen, or from the computer itself, is not the presenter's voice.
        $isComputer = ! $made->hasMicrophone && in_array($kind, [TrackKind::Screen, TrackKind::Computer], true);

        return $made->flac === null || $made->levels === null ? null : new MadeTrack(
            $isComputer ? TrackKind::Computer : TrackKind::Microphone,
            $made->flac,
            $made->levels->length(),
            $offset,
            loudness: $made->loudness->lufs,
            peak: $made->levels->peak(),
        );
    }
}
