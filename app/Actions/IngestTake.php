<?php

declare(strict_types=1);

namespace App\Actions;

use App\Media\Encoder;
use App\Media\MediaStore;
use App\Media\Prober;
use App\Media\ProgramFailed;
use App\Media\RecordingFacts;
use App\Models\Take;
use App\Models\TakeState;
use App\Models\Track;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Listening\LevelReader;
use OpenReel\Core\Listening\Levels;
use OpenReel\Core\Listening\SoundFlag;
use OpenReel\Core\Listening\SpeechFinder;
use OpenReel\Core\Render\IngestCommand;
use OpenReel\Core\Render\LoudnessReport;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/**
 * Makes a recording usable: a file that plays and seeks, its sound as FLAC, the wave, where the speech lies
 * and what is wrong with the sound. Can be run again at any time; the recording itself is kept until all of it is there.
 */
final class IngestTake
{
    /** Points of the drawn wave, at most. */
    private const WAVE_POINTS = 1600;

    public function __construct(
        private readonly Encoder $encoder,
        private readonly Prober $prober,
        private readonly MediaStore $media,
    ) {
    }

    public function __invoke(Take $take): void
    {
        if ($take->state !== TakeState::Ingesting) {
            return;
        }
        $track = $take->tracks->sortBy('kind')->first(fn (Track $t): bool => $this->media->exists($t->path));
        if ($track === null) {
            $this->refuse($take, 'Nothing arrived from the recorder, so there is nothing to play.');

            return;
        }

        try {
            $facts = $this->prober->recording($this->media->path($track->path));
            if ($facts->isEmpty()) {
                $this->refuse($take, 'There is neither picture nor sound in this recording.');

                return;
            }
            $this->ingest($take, $track, $facts);
        } catch (ProgramFailed $failure) {
            Log::error("Take {$take->id} could not be read", $failure->context());
            $this->refuse($take, 'This recording is damaged or is not a film or sound file. It is kept as it came; record the section again.');
        }
    }

    private function ingest(Take $take, Track $track, RecordingFacts $facts): void
    {
        $raw = $this->media->path($track->path);
        if ($facts->changesSize) {
            $steady = $this->media->draft('mkv');
            try {
                $this->encoder->run(IngestCommand::oneSize($raw, $facts->width, $facts->height, $steady));
                $this->makeFiles($take, $steady, $this->prober->recording($steady));
            } finally {
                @unlink($steady);
            }
        } else {
            $this->makeFiles($take, $raw, $facts);
        }
        if ($take->state === TakeState::Ready) {
            $this->media->delete($track->path);
        }
    }

    private function makeFiles(Take $take, string $raw, RecordingFacts $facts): void
    {
        $container = IngestCommand::container($facts->videoCodec);
        $media = $this->media->draft($container);
        $sound = $this->media->draft('flac');
        $pcm = $this->media->draft('pcm');
        try {
            $log = $this->encoder->run(IngestCommand::arguments($raw, $facts->videoCodec, $facts->audioCodec, $media, $sound, $pcm));
            $levels = $this->levels($facts->audioCodec === null ? null : $pcm);
            $ticks = $facts->videoCodec === null ? $levels->length()->count : max($levels->length()->count, $this->pictureTicks($log));
            if ($ticks === 0) {
                $this->refuse($take, 'This recording has no length: it stopped before anything was recorded.');

                return;
            }
            $speech = SpeechFinder::find($levels);
            $this->keepFiles($take, $facts, ['media' => $media, 'sound' => $sound], $container);
            $this->media->write($take->folder().'/wave.json', json_encode($levels->wave(self::WAVE_POINTS), JSON_THROW_ON_ERROR));
            $this->note($take, $facts, $levels, $speech, LoudnessReport::read($log), $ticks);
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), [$media, $sound, $pcm]);
        }
    }

    private function levels(?string $pcm): Levels
    {
        $stream = $pcm === null ? false : fopen($pcm, 'r');
        if ($stream === false) {
            return new Levels([], [], 0, 0);
        }
        try {
            return LevelReader::read($stream);
        } finally {
            fclose($stream);
        }
    }

    /** The last time ffmpeg reported, in ticks: the length of the longest output. */
    private function pictureTicks(string $log): int
    {
        if (preg_match('/.*time=(\d+):(\d+):(\d+(?:\.\d+)?)/s', $log, $m) !== 1) {
            return 0;
        }
        [, $hours, $minutes, $seconds] = $m;

        return (int) round(((int) $hours * 3600 + (int) $minutes * 60 + (float) $seconds) * 48_000);
    }

    /** @param  array{media: string, sound: string}  $drafts */
    private function keepFiles(Take $take, RecordingFacts $facts, array $drafts, string $container): void
    {
        $folder = $take->folder();
        if ($facts->audioCodec !== null) {
            $take->sound_path = "{$folder}/sound.flac";
            $this->media->settle($drafts['sound'], $take->sound_path);
            $take->sound_hash = $this->media->hash($take->sound_path);
        }
        if ($facts->videoCodec !== null) {
            $take->media_path = "{$folder}/media.{$container}";
            $take->media_mime = "video/{$container}";
            $this->media->settle($drafts['media'], $take->media_path);
            $take->media_hash = $this->media->hash($take->media_path);
        } else {
            $take->media_path = $take->sound_path;
            $take->media_mime = 'audio/flac';
            $take->media_hash = $take->sound_hash;
        }
    }

    private function note(Take $take, RecordingFacts $facts, Levels $levels, ?Span $speech, LoudnessReport $loudness, int $ticks): void
    {
        $take->fill([
            'state' => TakeState::Ready,
            'problem' => null,
            'length_ticks' => $ticks,
            'speech_from' => $speech?->from->count,
            'speech_until' => $speech?->until->count,
            'flags' => $facts->audioCodec === null ? ['no-sound'] : array_map(fn (SoundFlag $f): string => $f->value, SoundFlag::of($levels)),
            'camera_width' => $facts->videoCodec === null ? null : $facts->width,
            'camera_height' => $facts->videoCodec === null ? null : $facts->height,
            'loudness' => $loudness->lufs,
        ]);
        $take->line_ticks = $this->lineTicks($take);
        $take->save();
        $take->section->touch();
    }

    /** @return array<string, int> */
    private function lineTicks(Take $take): array
    {
        $log = $take->folder().'/events.jsonl';
        $events = $this->media->exists($log) ? EventLog::read((string) file_get_contents($this->media->path($log))) : [];
        $lines = array_map(fn (array $l): SpokenLine => new SpokenLine($l['id'], $l['text']), $take->lines);

        return array_map(fn (Tick $t): int => $t->count, LineTimes::of($lines, $events, TakeSpan::used($take)));
    }

    private function refuse(Take $take, string $problem): void
    {
        $take->fill(['state' => TakeState::Unusable, 'problem' => $problem])->save();
    }
}
