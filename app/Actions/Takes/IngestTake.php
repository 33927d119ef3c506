<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Jobs\PrepareLessonJob;
use App\Media\MadeTake;
use App\Media\MediaStore;
use App\Media\ProgramFailed;
use App\Media\TakeMaker;
use App\Media\UnreadableFile;
use App\Models\Take;
use App\Models\TakeState;
use App\Models\Track;
use App\Readers\TakeSpan;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Listening\SoundFlag;
use OpenReel\Core\Listening\SpeechFinder;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Time\Tick;

/**
 * Makes a recording usable: a file that plays and seeks, its sound as FLAC, the wave, where the speech lies and what is
 * wrong with the sound. Can be run again at any time: the recording itself stays (see ClearRecordings).
 */
final class IngestTake
{
    /** Points of the drawn wave, at most. */
    private const WAVE_POINTS = 1600;

    /** Looked for and not said; nothing at all is noted of takes that were read before this was looked for. */
    public const UNSAID = 'unknown';

    private const DAMAGED = 'This recording is damaged or is not a film or sound file. It is kept as it came; record the section again.';

    public function __construct(private readonly TakeMaker $maker, private readonly MediaStore $media)
    {
    }

    /**
     * A fault of the recording makes the take unusable; a fault of the server leaves it waiting.
     *
     * @throws \App\Media\ProgramMissing|\App\Media\ProgramKilled|\App\Media\DiskFull when it has to be tried again
     */
    public function __invoke(Take $take): void
    {
        if ($take->state !== TakeState::Ingesting) {
            return;
        }
        $there = $take->tracks->filter(fn (Track $t): bool => $this->media->bytes($t->path) > 0);
        $main = $there->firstWhere('kind', 'camera') ?? $there->first();
        $microphone = $there->firstWhere('kind', 'microphone');
        if ($main === null) {
            $this->refuse($take, 'Nothing arrived from the recorder, so there is nothing to play.');

            return;
        }
        try {
            $made = $this->maker->make($this->media->path($main->path), $microphone === null || $microphone->is($main) ? null : $this->media->path($microphone->path));
            $this->keep($take, $made);
        } catch (UnreadableFile $refusal) {
            $this->refuse($take, $refusal->getMessage());
        } catch (ProgramFailed $failure) {
            Log::error("Take {$take->id} could not be read", $failure->context());
            $this->refuse($take, $failure->tookTooLong ? 'This recording could not be read in a reasonable time. It is kept as it came; record the section again.' : self::DAMAGED);
        }
    }

    private function keep(Take $take, MadeTake $made): void
    {
        $this->keepFiles($take, $made);
        $this->media->write($take->folder().'/wave.json', json_encode($made->levels->wave(self::WAVE_POINTS), JSON_THROW_ON_ERROR));
        $speech = SpeechFinder::find($made->levels);
        $take->fill([
            'state' => TakeState::Ready,
            'problem' => null,
            'length_ticks' => $made->length->count,
            'speech_from' => $speech?->from->count,
            'speech_until' => $speech?->until->count,
            'flags' => $made->sound === null ? ['no-sound'] : array_map(fn (SoundFlag $f): string => $f->value, SoundFlag::of($made->levels)),
            'camera_width' => $made->size[0] ?? null,
            'camera_height' => $made->size[1] ?? null,
            'colour_range' => $made->range ?? self::UNSAID,
            'colour_matrix' => $made->matrix ?? self::UNSAID,
            'loudness' => $made->loudness->lufs,
        ]);
        $take->line_ticks = $this->lineTicks($take);
        $take->save();
        $take->section->touch();
        if ($take->verdict === Verdict::Kept) {
            PrepareLessonJob::dispatch($take->section->lesson_id);
        }
    }

    private function keepFiles(Take $take, MadeTake $made): void
    {
        $folder = $take->folder();
        $take->sound_path = $take->sound_hash = null;
        if ($made->sound !== null) {
            $take->sound_path = "{$folder}/sound.flac";
            $this->media->settle($made->sound, $take->sound_path);
            $take->sound_hash = $this->media->hash($take->sound_path);
        }
        if ($made->media === null) {
            $take->fill(['media_path' => $take->sound_path, 'media_mime' => 'audio/flac', 'media_hash' => $take->sound_hash]);

            return;
        }
        $container = pathinfo($made->media, PATHINFO_EXTENSION);
        $take->media_path = "{$folder}/media.{$container}";
        $take->media_mime = "video/{$container}";
        $this->media->settle($made->media, $take->media_path);
        $take->media_hash = $this->media->hash($take->media_path);
        $this->media->delete("{$folder}/poster.jpg");
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
