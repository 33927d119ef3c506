<?php

declare(strict_types=1);

namespace App\Actions;

use App\Media\MediaStore;
use App\Media\Voice;
use App\Models\Section;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\LineSplitter;

/** Has a section's script read by the stand-in voice; the same words are read once. */
final class ReadAloud
{
    private const NOTHING_WRITTEN = 'Nothing is written in this section yet. This is the stand-in voice, so that you can try everything without a microphone.';

    public function __construct(private readonly Voice $voice, private readonly MediaStore $media)
    {
    }

    /** @return string path on the media disk */
    public function __invoke(Section $section): string
    {
        $lines = array_map(fn (Line $l): string => $l->text, LineSplitter::split($section->script));
        $text = $lines === [] ? self::NOTHING_WRITTEN : implode("\n", $lines);
        $path = 'stand-in/'.hash('sha256', $text).'.wav';
        if (! $this->media->exists($path)) {
            $draft = $this->media->draft('wav');
            $this->voice->speak($text, $draft);
            $this->media->settle($draft, $path);
        }

        return $path;
    }
}
