<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\WorkState;
use OpenReel\Core\Render\SoundFileCommand;

/** The sound of a finished film as files of its own; made behind it, so that nobody waits for them. */
final class MakeSoundFiles
{
    public function __construct(private readonly Encoder $encoder, private readonly MediaStore $media)
    {
    }

    public function __invoke(Export $export): void
    {
        if ($export->state !== WorkState::Done || ! $this->media->exists($export->path)) {
            return;
        }
        $film = $this->media->path((string) $export->path);
        foreach (['sound.m4a' => SoundFileCommand::m4a(...), 'sound.mp3' => SoundFileCommand::mp3(...)] as $kind => $command) {
            if (in_array($kind, $export->beside ?? [], true)) {
                continue;
            }
            $draft = $this->media->draft(pathinfo($kind, PATHINFO_EXTENSION));
            $this->encoder->run($command($film, $draft));
            $this->media->settle($draft, FilesBeside::path($export, $kind));
            $export->refresh()->update(['beside' => [...$export->beside ?? [], $kind]]);
        }
    }
}
