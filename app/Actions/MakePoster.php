<?php

declare(strict_types=1);

namespace App\Actions;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Models\Take;
use OpenReel\Core\Render\IngestCommand;

/** A small still of a take, where its speech starts. Made when it is first asked for: most takes never need one. */
final class MakePoster
{
    public function __construct(private readonly Encoder $encoder, private readonly MediaStore $media)
    {
    }

    /** @return string|null path on the media disk; null when the take has no picture */
    public function __invoke(Take $take): ?string
    {
        if ($take->camera_width === null || $take->media_path === null) {
            return null;
        }
        $path = $take->folder().'/poster.jpg';
        if (! $this->media->exists($path)) {
            $draft = $this->media->draft('jpg');
            $this->encoder->run(IngestCommand::poster($this->media->path($take->media_path), TakeSpan::used($take)->from, $draft));
            $this->media->settle($draft, $path);
        }

        return $path;
    }
}
