<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\ReadingRequested;
use App\Media\MediaStore;
use App\Media\Voice;
use App\Models\Section;
use App\OperationRejected;
use App\Work\LastFault;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\LineSplitter;

/** Has a section's script read by the stand-in voice; the same words are read once. */
final class ReadAloud
{
    /** Part of a file's name: change it when the voice or its way of reading changes. */
    private const VERSION = 'v1 ';

    private const NOTHING_WRITTEN = 'Nothing is written in this section yet. This is the stand-in voice, so that you can try '
        .'everything without a microphone.';

    /** So much is read while somebody waits; more takes longer than they should, and is read in the background. */
    private const AT_ONCE = 1_200;

    public function __construct(private readonly Voice $voice, private readonly MediaStore $media)
    {
    }

    /** @return string|null path on the media disk; null while it is being read */
    public function __invoke(Section $section): ?string
    {
        $text = self::textOf($section);
        $path = self::path($text);
        if (! $this->media->exists($path)) {
            if (mb_strlen($text) > self::AT_ONCE) {
                $fault = LastFault::of(self::workName($section->id));
                $fault === null ? ReadingRequested::dispatch($section->id) : throw OperationRejected::conflict($fault);

                return $this->media->exists($path) ? $path : null;
            }
            $this->now($text);
        }

        return $path;
    }

    /** What the work is called that reads a long section in the background, where faults of it are noted. */
    public static function workName(string $section): string
    {
        return "read-aloud/{$section}";
    }

    public function all(Section $section): void
    {
        $text = self::textOf($section);
        if (! $this->media->exists(self::path($text))) {
            $this->now($text);
        }
    }

    private function now(string $text): void
    {
        $draft = $this->media->draft('wav');
        $this->voice->speak($text, $draft);
        $this->media->commit($draft, self::path($text));
    }

    private static function textOf(Section $section): string
    {
        $lines = array_map(fn (Line $l): string => $l->text, LineSplitter::split($section->script));

        return $lines === [] ? self::NOTHING_WRITTEN : implode("\n", $lines);
    }

    private static function path(string $text): string
    {
        return 'stand-in/'.hash('sha256', self::VERSION.$text).'.wav';
    }
}
