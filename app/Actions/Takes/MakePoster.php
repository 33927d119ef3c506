<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Models\Take;
use App\Models\Track;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\IngestCommand;

/** A small still of a take, where its speech starts. Made when it is first asked for: most takes never need one. */
final class MakePoster
{
    private const SECONDS = 20.0;

    public function __construct(private readonly Encoder $encoder, private readonly MediaStore $media)
    {
    }

    /** @return string|null path on the media disk; null when the take has no picture */
    public function __invoke(Take $take): ?string
    {
        $track = $take->track(TrackKind::Camera);
        if ($track?->width === null || $track->file_path === null) {
            return null;
        }
        $path = $take->folder().'/poster.jpg';
        if (! $this->media->exists($path)) {
            // The picture may end before the speech starts; then its last moment is shown.
            $at = Tick::of($take->summary->used[0][0] ?? 0);
            $draft = $this->draw($track, $at->minusOrZero(Tick::of($track->offset_ticks))) ?? $this->draw($track, null);
            if ($draft === null) {
                return null;
            }
            $this->media->commit($draft, $path);
        }

        return $path;
    }

    private function draw(Track $track, ?Tick $at): ?string
    {
        $draft = $this->media->draft('jpg');
        $this->encoder->run(
            IngestCommand::poster($this->media->path((string) $track->file_path), $at, $draft, $track->colour()),
            seconds: self::SECONDS,
        );

        return is_file($draft) ? $draft : null;
    }
}
