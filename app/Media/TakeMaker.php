<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Listening\LevelReader;
use OpenReel\Core\Listening\Levels;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\LoudnessReport;
use OpenReel\Core\Render\RecordingInput;
use OpenReel\Core\Time\Tick;

/** Makes of a recording, as it came from the recorder, files that play, seek and can be cut. The recording is left as it is. */
final class TakeMaker
{
    /** One pass takes a fraction of the recording's length; one that takes longer than all of it has run wild. */
    private const SECONDS = 120.0;

    /** How much shorter than the recording its files may be: the last frame of the picture, the last block of the sound. */
    private const SLACK = 0.25;

    /** With less room than this, a file that came out short was cut short by the disk. */
    private const ROOM = 64 * 1024 * 1024;

    /** Sound as the core listens to it, raw: 16 bits at 48 kHz. FLAC is smaller. */
    private const SOUND_BYTES_A_SECOND = 96_000;

    public function __construct(private readonly Encoder $encoder, private readonly Prober $prober, private readonly MediaStore $media)
    {
    }

    /**
     * @param  string  $raw  path of the recording that holds the picture, or the only one
     * @param  string|null  $microphone  path of a recording of its own that holds the sound
     *
     * @throws UnreadableFile when there is nothing in it that can be used
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function make(string $raw, ?string $microphone = null): MadeTake
    {
        $facts = $this->prober->recording($raw);
        $voice = $microphone === null ? $facts : $this->prober->recording($microphone);
        $seconds = max($facts->seconds, $voice->seconds);
        $bytes = (int) filesize($raw) + ($microphone === null ? 0 : (int) filesize($microphone));
        if ($facts->isEmpty()) {
            throw UnreadableFile::because('There is neither picture nor sound in this recording.');
        }
        if (($problem = RecordingInput::problem($seconds, $bytes)) !== null) {
            throw UnreadableFile::because($problem);
        }
        $this->media->mustHaveRoomFor((int) (($facts->changesSize ? 2 : 1) * $bytes + 2 * $seconds * self::SOUND_BYTES_A_SECOND), 'the take');
        if (! $facts->changesSize) {
            return $this->files($raw, $facts, $microphone, $voice->audioCodec, $seconds);
        }
        $steady = $this->media->draft('mkv');
        try {
            $this->encoder->run(IngestCommand::oneSize($raw, $facts->width, $facts->height, $steady, self::colour($facts)), seconds: self::SECONDS + 2 * $seconds);

            return $this->files($steady, $this->prober->recording($steady), $microphone, $voice->audioCodec, $seconds);
        } finally {
            @unlink($steady);
        }
    }

    private function files(string $raw, RecordingFacts $facts, ?string $microphone, ?string $audioCodec, float $seconds): MadeTake
    {
        $media = $facts->videoCodec === null ? null : $this->media->draft(IngestCommand::container($facts->videoCodec));
        $sound = $audioCodec === null ? null : $this->media->draft('flac');
        $pcm = $this->media->draft('pcm');
        try {
            $log = $this->encoder->run(
                IngestCommand::arguments($raw, $facts->videoCodec, $audioCodec, (string) $media, (string) $sound, $pcm, self::colour($facts), $microphone),
                seconds: self::SECONDS + $seconds,
            );
            $levels = $audioCodec === null ? new Levels([], [], 0, 0) : $this->levels($pcm);
            $length = $media === null ? $levels->length()->count : max($levels->length()->count, self::reached($log));
            if ($length === 0) {
                throw UnreadableFile::because('This recording has no length: it stopped before anything was recorded.');
            }
            $this->mustBeWhole($media, $facts->seconds);
            $this->mustBeWhole($sound, $levels->length()->seconds());
            $copied = $facts->videoCodec !== null && IngestCommand::copies($facts->videoCodec);

            return new MadeTake(
                $media, $sound, $levels, LoudnessReport::read($log), Tick::of($length), $facts->videoCodec === null ? null : [$facts->width, $facts->height],
                $copied ? $facts->range : 'tv', $copied ? $facts->matrix : 'bt709',
            );
        } catch (\Throwable $e) {
            array_map(fn (?string $draft): bool => $draft !== null && @unlink($draft), [$media, $sound]);
            throw $e;
        } finally {
            @unlink($pcm);
        }
    }

    /**
     * Plays what was made of a recording to its end.
     *
     * @param  list<string>  $made  paths
     * @param  list<string>  $raws  paths of the recordings
     * @return bool false when one is damaged, or shorter than what it was made from
     *
     * @throws ProgramMissing|ProgramKilled
     */
    public function replaces(array $made, array $raws): bool
    {
        try {
            $reached = $made === [] ? 0 : min(array_map(fn (string $file): int => self::reached($this->encoder->run(IngestCommand::decode($file))), $made));
            $meant = max(0.0, ...array_map(fn (string $raw): float => $this->prober->recording($raw)->seconds, $raws));
        } catch (ProgramFailed) {
            return false;
        }

        return $reached / Tick::RATE >= self::least($meant);
    }

    /** What a full disk leaves may look like a finished file and be empty. */
    private function mustBeWhole(?string $file, float $seconds): void
    {
        if ($file === null) {
            return;
        }
        $made = is_file($file) ? $this->prober->seconds($file) : 0.0;
        if ($made < self::least($seconds)) {
            $this->media->mustHaveRoomFor(self::ROOM, 'the take');
            throw ProgramFailed::cutShort($file, $made, $seconds);
        }
    }

    /** How long at least a file made of so many seconds is. */
    private static function least(float $seconds): float
    {
        return 0.98 * $seconds - self::SLACK;
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

    /** The last time the encoder reported, in ticks: the length of the longest output. */
    private static function reached(string $log): int
    {
        if (preg_match('/.*time=(\d+):(\d+):(\d+(?:\.\d+)?)/s', $log, $m) !== 1) {
            return 0;
        }

        return (int) round(((int) $m[1] * 3600 + (int) $m[2] * 60 + (float) $m[3]) * Tick::RATE);
    }

    private static function colour(RecordingFacts $facts): SourceColour
    {
        return SourceColour::told($facts->range, $facts->matrix, $facts->height);
    }
}
