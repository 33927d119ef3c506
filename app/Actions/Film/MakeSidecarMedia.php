<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\WorkState;
use App\Queries\Film\FilmTranscript;
use App\Queries\Film\SidecarFile;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Render\FilmFormat;
use OpenReel\Core\Render\SoundFileCommand;

/** A picture of a finished film to be known by, and its sound as files of its own: made behind it, so that nobody waits. */
final class MakeSidecarMedia
{
    public function __construct(
        private readonly Encoder $encoder,
        private readonly MediaStore $media,
        private readonly MakeThumbnail $thumbnail,
        private readonly FilmTranscript $said,
    ) {
    }

    public function __invoke(Export $export): void
    {
        if ($export->state !== WorkState::Done || ! $this->media->exists($export->path)) {
            return;
        }
        $film = $this->media->path((string) $export->path);
        if (! in_array(SidecarFile::THUMBNAIL, $export->beside ?? [], true)) {
            $this->thumbnail->draw($export, $film, Tick::ofMilliseconds($this->said->of($export)['thumbnail_ms']));
            self::record($export, SidecarFile::THUMBNAIL, ...SidecarFile::OTHER_THUMBNAILS);
        }
        if ($export->edition()->format !== FilmFormat::Mp4) {
            // The sound is that of the MP4, which is made beside it.
            return;
        }
        foreach (['sound.m4a' => SoundFileCommand::m4a(...), 'sound.mp3' => SoundFileCommand::mp3(...)] as $kind => $command) {
            if (in_array($kind, $export->beside ?? [], true)) {
                continue;
            }
            $draft = $this->media->draft(pathinfo($kind, PATHINFO_EXTENSION));
            $this->encoder->run($command($film, $draft));
            $this->media->commit($draft, SidecarFile::path($export, $kind));
            self::record($export, $kind);
        }
    }

    private static function record(Export $export, string ...$kinds): void
    {
        $export->refresh()->update(['beside' => array_values(array_unique([...$export->beside ?? [], ...$kinds]))]);
    }
}
