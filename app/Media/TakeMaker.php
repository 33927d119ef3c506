<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Analysis\SyncOffset;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\SoundInput;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Sound\LoudnessReport;
use OpenReel\Core\Sound\RecordingInput;

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

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * The picture of the presenter and the voice are made in one pass, so that they keep step; whatever else was recorded in
     * passes of its own.
     *
     * @param  non-empty-list<Recording>  $recordings  at most one of each kind
     *
     * @throws UnreadableFile when there is nothing in them that can be used
     * @throws ProgramMissing|ProgramKilled|ProgramFailed|DiskFull
     */
    public function make(array $recordings): MadeTake
    {
        $of = fn (TrackKind $kind): ?Recording => array_values(
            array_filter($recordings, fn (Recording $r): bool => $r->kind === $kind),
        )[0] ?? null;
        $main = $of(TrackKind::Camera) ?? ($of(TrackKind::Screen) ?? ($of(TrackKind::Microphone) ?? $recordings[0]));
        $microphone = $of(TrackKind::Microphone);
        $made = [];
        try {
            [$tracks, $voice] = $this->together($main, $microphone === $main ? null : $microphone);
            array_push($made, ...$tracks);
            foreach ($recordings as $recording) {
                if ($recording !== $main && $recording !== $microphone) {
                    $offset = $this->offset($recording, $microphone ?? $main);
                    array_push($made, ...$this->together($recording, null, $offset)[0]);
                }
            }
        } catch (\Throwable $e) {
            array_map(fn (MadeTrack $t): bool => @unlink($t->draft), $made);
            throw $e;
        }
        $length = max(array_map(fn (MadeTrack $t): int => $t->offset + $t->length->count, $made));

        return new MadeTake($made, $voice, $main->offset, Tick::of($length));
    }

    /**
     * When a recording began, in ticks of the take: told by the voice in it, where that is also in the other one and loud
     * enough; else as the recorder noted it.
     */
    private function offset(Recording $recording, Recording $voice): int
    {
        $lag = $recording->inStep ? SyncOffset::between($this->beginning($voice), $this->beginning($recording)) : null;

        return $lag === null ? $recording->offset->count : $voice->offset->count - $lag;
    }

    /** By how many ticks a microphone of its own began later than the picture it belongs to. */
    private function later(Recording $microphone, Recording $main): int
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

    /**
     * @param  Recording|null  $microphone  a recording of its own that holds the sound
     * @param  int|null  $offset  ticks of the take at which it begins, when that is known better than the recorder noted it
     * @return array{non-empty-list<MadeTrack>, Levels|null}
     */
    private function together(Recording $main, ?Recording $microphone, ?int $offset = null): array
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
        $sound = match (true) {
            $microphone !== null => new SoundInput(
                $microphone->path,
                $this->later($microphone, $main) / Tick::RATE,
                $voice->audioCodec,
            ),
            // The voice in it has done its work.
            $main->inStep && $main->kind === TrackKind::Screen && $offset !== null => null,
            $facts->audioCodec !== null => new SoundInput(null, 0.0, $facts->audioCodec, $main->inStep),
            default => null,
        };
        if (! $facts->changesSize) {
            return $this->files($main, $main->path, $facts, $sound, $seconds, $offset);
        }
        $steady = $this->media->draft('mkv');
        try {
            $this->encoder->run(
                IngestCommand::oneSize($main->path, $facts->width, $facts->height, $steady, self::colour($facts)),
                seconds: self::SECONDS + 2 * $seconds,
            );

            return $this->files($main, $steady, $this->prober->recording($steady), $sound, $seconds, $offset);
        } finally {
            @unlink($steady);
        }
    }

    /** @return array{non-empty-list<MadeTrack>, Levels|null} */
    private function files(
        Recording $main,
        string $raw,
        RecordingFacts $facts,
        ?SoundInput $sound,
        float $seconds,
        ?int $offset,
    ): array {
        $isHeard = $sound?->codec !== null;
        $media = $facts->videoCodec === null ? null : $this->media->draft(IngestCommand::container($facts->videoCodec));
        $flac = $isHeard ? $this->media->draft('flac') : null;
        $pcm = $this->media->draft('pcm');
        try {
            $log = $this->encoder->run(
                IngestCommand::arguments(
                    $raw,
                    $facts->videoCodec,
                    $sound,
                    (string) $media,
                    (string) $flac,
                    $pcm,
                    self::colour($facts),
                ),
                seconds: self::SECONDS + $seconds,
            );
            $levels = $isHeard ? $this->levels($pcm) : null;
            $length = max($levels?->length()->count ?? 0, $media === null ? 0 : self::reached($log));
            if ($length === 0) {
                throw UnreadableFile::because('This recording has no length: it stopped before anything was recorded.');
            }
            $this->mustBeWhole($media, $isHeard ? $facts->seconds : $facts->pictureSeconds);
            $this->mustBeWhole($flac, $levels?->length()->seconds() ?? 0.0);

            return [
                self::tracks(
                    $main,
                    $media,
                    $flac,
                    $facts,
                    $levels,
                    LoudnessReport::parse($log),
                    Tick::of($length),
                    $sound?->path !== null,
                    $offset ?? $main->offset->count,
                ),
                $levels,
            ];
        } catch (\Throwable $e) {
            array_map(fn (?string $draft): bool => $draft !== null && @unlink($draft), [$media, $flac]);
            throw $e;
        } finally {
            @unlink($pcm);
        }
    }

    /** @return non-empty-list<MadeTrack> */
    private static function tracks(
        Recording $main,
        ?string $media,
        ?string $flac,
        RecordingFacts $facts,
        ?Levels $levels,
        LoudnessReport $loudness,
        Tick $length,
        bool $hasMicrophone,
        int $offset,
    ): array {
        $copied = $facts->videoCodec !== null && IngestCommand::copies($facts->videoCodec);
        $tracks = [];
        if ($media !== null) {
            $kind = $main->kind->isPicture() ? $main->kind : TrackKind::Camera;
            $tracks[] = new MadeTrack(
                $kind,
                $media,
                $length,
                $offset,
                [$facts->width, $facts->height],
                $copied ? $facts->range : 'tv',
                $copied ? $facts->matrix : 'bt709',
            );
        }
        if ($flac !== null && $levels !== null) {
            // What comes with a screen, or from the computer itself, is not the presenter's voice.
            $kind =
                ! $hasMicrophone && in_array($main->kind, [TrackKind::Screen, TrackKind::Computer], true)
                    ? TrackKind::Computer
                    : TrackKind::Microphone;
            $tracks[] = new MadeTrack(
                $kind,
                $flac,
                $levels->length(),
                $offset,
                loudness: $loudness->lufs,
                peak: $levels->peak(),
            );
        }

        return $tracks === [] ? throw UnreadableFile::because('There is neither picture nor sound in this recording.') : $tracks;
    }

    /**
     * Plays what was made of a recording to its end.
     *
     * @param  list<string>  $made  paths
     * @param  string  $raw  path of the recording
     * @return bool false when one is damaged, or shorter than what it was made from
     *
     * @throws ProgramMissing|ProgramKilled
     */
    public function replaces(array $made, string $raw): bool
    {
        try {
            $reached =
                $made === []
                    ? 0
                    : min(
                        array_map(
                            fn (string $file): int => self::reached($this->encoder->run(IngestCommand::decode($file))),
                            $made,
                        ),
                    );
            $meant = $this->prober->recording($raw)->seconds;
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
        return SourceColour::tagged($facts->range, $facts->matrix, $facts->height);
    }
}
