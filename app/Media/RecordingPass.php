<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\SoundInput;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Sound\RecordingInput;

/** One pass over a recording, and over the microphone that belongs to it: what it makes plays, seeks and can be cut. */
final class RecordingPass
{
    /** One pass takes a fraction of the recording's length; one that takes longer than all of it has run wild. */
    private const SECONDS = 120.0;

    /** Sound as the core listens to it, raw: 16 bits at 48 kHz. FLAC is smaller. */
    private const SOUND_BYTES_A_SECOND = 96_000;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
        private readonly TrackStarts $starts,
        private readonly WholeFiles $whole,
    ) {
    }

    /**
     * @param  Recording|null  $microphone  a recording of its own that holds the sound
     * @param  int|null  $offset  ticks of the take at which it begins, when that is known better than the recorder noted it
     *
     * @throws UnreadableFile|ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function of(Recording $main, ?Recording $microphone, ?int $offset = null): MadePass
    {
        $facts = $this->prober->recording($main->path);
        $facts = $main->surface === 'browser' ? $facts->ofTab() : $facts;
        $voice = $microphone === null ? $facts : $this->prober->recording($microphone->path);
        $seconds = max($facts->seconds, $voice->seconds);
        $bytes = (int) filesize($main->path) + ($microphone === null ? 0 : (int) filesize($microphone->path));
        if ($facts->isEmpty()) {
            throw UnreadableFile::because('There is neither picture nor sound in this recording.');
        }
        if (($problem = RecordingInput::problem($seconds, $bytes)) !== null) {
            throw UnreadableFile::because($problem);
        }
        $this->media->mustHaveRoomFor(
            (int) (($facts->changesSize ? 2 : 1) * $bytes + 2 * $seconds * self::SOUND_BYTES_A_SECOND),
            'the take',
        );
        $sound = $this->sound($main, $microphone, $facts, $voice, $offset);
        $offset ??= $main->offset->count;
        if (! $facts->changesSize) {
            return new MadePass($this->files($main->path, $facts, $sound, $seconds), $main->kind, $offset);
        }
        $steady = $this->media->draft('mkv');
        try {
            $this->encoder->run(
                IngestCommand::oneSize($main->path, $facts->width, $facts->height, $steady, self::colour($facts)),
                seconds: self::SECONDS + 2 * $seconds,
            );

            $facts = $this->prober->recording($steady);

            return new MadePass($this->files($steady, $facts, $sound, $seconds), $main->kind, $offset);
        } finally {
            @unlink($steady);
        }
    }

    /** Where the sound of a pass is taken from; null when there is none. */
    private function sound(
        Recording $main,
        ?Recording $microphone,
        RecordingFacts $facts,
        RecordingFacts $voice,
        ?int $offset,
    ): ?SoundInput {
        return match (true) {
            $microphone !== null => new SoundInput(
                $microphone->path,
                $this->starts->later($microphone, $main) / Tick::RATE,
                $voice->audioCodec,
            ),
            // The voice in it has done its work.
            $main->inStep && $main->kind === TrackKind::Screen && $offset !== null => null,
            $facts->audioCodec !== null => new SoundInput(null, 0.0, $facts->audioCodec, $main->inStep),
            default => null,
        };
    }

    /** @param  string  $raw  path of what is read for the picture */
    private function files(string $raw, RecordingFacts $facts, ?SoundInput $sound, float $seconds): MadeFiles
    {
        $isHeard = $sound?->codec !== null;
        $media = $facts->videoCodec === null ? null : $this->media->draft(IngestCommand::container($facts->videoCodec));
        $flac = $isHeard ? $this->media->draft('flac') : null;
        $pcm = $this->media->draft('pcm');
        try {
            $log = $this->encoder->run(
                IngestCommand::arguments(
                    $raw, $facts->videoCodec, $sound, (string) $media, (string) $flac, $pcm, self::colour($facts),
                ),
                seconds: self::SECONDS + $seconds,
            );
            $levels = $isHeard ? $this->levels($pcm) : null;
            $length = max($levels?->length()->count ?? 0, $media === null ? 0 : WholeFiles::reached($log));
            if ($length === 0) {
                throw UnreadableFile::because('This recording has no length: it stopped before anything was recorded.');
            }
            $this->whole->mustBeWhole($media, $isHeard ? $facts->seconds : $facts->pictureSeconds);
            $this->whole->mustBeWhole($flac, $levels?->length()->seconds() ?? 0.0);

            return new MadeFiles(
                $media, $flac, $facts, $levels, LoudnessReport::parse($log), Tick::of($length), $sound?->path !== null,
            );
        } catch (\Throwable $e) {
            array_map(fn (?string $draft): bool => $draft !== null && @unlink($draft), [$media, $flac]);
            throw $e;
        } finally {
            @unlink($pcm);
        }
    }

    private function levels(string $pcm): Levels
    {
        $stream = fopen($pcm, 'r');
        if ($stream === false) {
            return new Levels([], [], 0, 0);
        }
        try {
            return LevelReader::read($stream);
        } finally {
            fclose($stream);
        }
    }

    private static function colour(RecordingFacts $facts): SourceColour
    {
        return SourceColour::tagged($facts->range, $facts->matrix, $facts->height);
    }
}
