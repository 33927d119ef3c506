<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Events\TakesWaitForAlignment;
use App\Media\MadeTake;
use App\Media\MediaStore;
use App\Media\ProgramFailed;
use App\Media\Recording;
use App\Media\TakeMaker;
use App\Media\UnreadableFile;
use App\Models\Take;
use App\Models\Track;
use App\Queries\Takes\TakeEvents;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Analysis\Ingest;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\Event\TrackStarted;
use OpenReel\Core\Take\TakeInputs;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TrackOffsets;
use OpenReel\Core\Take\Verdict;

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

    /** How files are called, by kind of track. */
    private const NAMES = ['camera' => 'media', 'screen' => 'screen', 'microphone' => 'sound', 'computer' => 'computer'];

    /** A track of which nothing could be made. */
    private const NO_FILE = [
        'file_path' => null,
        'file_mime' => null,
        'hash' => null,
        'width' => null,
        'height' => null,
        'colour_range' => null,
        'colour_matrix' => null,
        'loudness' => null,
        'peak' => null,
    ];

    private const DAMAGED =
        'This recording is damaged or is not a film or sound file. It is kept as it came; record the section again.';

    public function __construct(
        private readonly TakeMaker $maker,
        private readonly MediaStore $media,
        private readonly WriteGivenCues $write,
        private readonly AlignTake $hear,
        private readonly InspectTake $inspect,
        private readonly TakeEvents $events,
        private readonly KeepResult $results,
    ) {
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
        $events = $this->events->of($take);
        $recordings = $this->recordings($take, $events);
        $this->read($take, $recordings, $events);
        // Nothing is added to what came from the recorder any more.
        array_map($this->media->share(...), [$take->folder().'/events.jsonl', ...$take->tracks->pluck('path')->filter()]);
    }

    /**
     * @param  list<Recording>  $recordings
     * @param  list<TakeEvent>  $events
     */
    private function read(Take $take, array $recordings, array $events): void
    {
        if ($recordings === []) {
            $this->refuse($take, 'Nothing arrived from the recorder, so there is nothing to play.');

            return;
        }
        try {
            $this->keep($take, $this->maker->make($recordings), $events);
        } catch (UnreadableFile $refusal) {
            $this->refuse($take, $refusal->getMessage());
        } catch (ProgramFailed $failure) {
            Log::error("Take {$take->id} could not be read", $failure->context());
            $this->refuse(
                $take,
                $failure->tookTooLong
                    ? 'This recording could not be read in a reasonable time. It is kept as it came; record the section again.'
                    : self::DAMAGED,
            );
        }
    }

    /**
     * @param  list<TakeEvent>  $events
     * @return list<Recording>
     */
    private function recordings(Take $take, array $events): array
    {
        $offsets = TrackOffsets::of($events);
        $recordings = $started = [];
        foreach ($events as $event) {
            if ($event instanceof TrackStarted) {
                $started[$event->track->value] ??= $event;
            }
        }
        foreach ($take->tracks as $track) {
            if ($track->path !== null && $this->media->bytes($track->path) > 0) {
                $recordings[] = new Recording(
                    $track->kind,
                    $this->media->path($track->path),
                    $offsets[$track->kind->value] ?? Tick::zero(),
                    ($started[$track->kind->value] ?? null)->inStep ?? false,
                    ($started[$track->kind->value] ?? null)?->surface,
                );
            }
        }

        return $recordings;
    }

    /** @param  list<TakeEvent>  $events */
    private function keep(Take $take, MadeTake $made, array $events): void
    {
        $isFirst = $take->summary->length_ticks === 0;
        $levels = $made->voice ?? new Levels([], [], 0, 0);
        $this->media->write($take->folder().'/wave.json', json_encode($levels->wave(self::WAVE_POINTS), JSON_THROW_ON_ERROR));
        $this->media->write($take->folder().'/levels.dat', $levels->packed());
        $this->media->delete($take->folder().'/poster.jpg');
        $found = (new Ingest($made->length, $made->voice, $made->voiceFrom, $take->spokenLines(), $events))->result();
        $inputs = TakeInputs::ingest(
            $take->tracks->mapWithKeys(fn (Track $t): array => [$t->kind->value => [$t->kind->value, $t->bytes]])->all(),
            $this->events->text($take),
        );
        $tracks = $this->settle($take, $made);
        DB::transaction(function () use ($take, $tracks, $found, $inputs): void {
            $take->tracks()->update(self::NO_FILE);
            foreach ($tracks as $kind => $values) {
                $take->tracks()->updateOrCreate(['kind' => $kind], $values);
            }
            $take->unsetRelation('tracks');
            $take->update(['state' => TakeState::Ready, 'problem' => null]);
            $this->results->ingest($take, $found, $inputs);
        });
        if ($isFirst) {
            // Read again, it keeps what is left of them: those written into the script are there, or were taken out of it.
            $take->update(['given' => GivenCues::of($take, $events)]);
        }
        if (config('reel.hear')) {
            TakesWaitForAlignment::dispatch();
            $this->hear->offer($take);
            $this->inspect->offer($take);
        }
        $take->section->touch();
        if ($take->verdict === Verdict::Kept) {
            // Kept before it was listened to: nobody knew yet where its cues belong.
            ($this->write)($take);
            LessonChanged::dispatch($take->section->lesson_id);
        } elseif ($take->verdict === Verdict::Undecided && config('reel.ahead')) {
            LessonChanged::dispatch($take->section->lesson_id, $take->id);
        }
    }

    /** @return array<string, array<string, mixed>> what is known of each track, by kind; its file is in its place */
    private function settle(Take $take, MadeTake $made): array
    {
        $tracks = [];
        foreach ($made->tracks as $track) {
            $isPicture = $track->kind->isPicture();
            $path = $take->folder().'/'.self::NAMES[$track->kind->value].'.'.$track->extension();
            $this->media->commit($track->draft, $path);
            $tracks[$track->kind->value] = [
                'file_path' => $path,
                'file_mime' => $isPicture ? "video/{$track->extension()}" : 'audio/flac',
                'hash' => $this->media->hash($path),
                'width' => $track->size[0] ?? null,
                'height' => $track->size[1] ?? null,
                'colour_range' => $isPicture ? $track->range ?? self::UNSAID : null,
                'colour_matrix' => $isPicture ? $track->matrix ?? self::UNSAID : null,
                'length_ticks' => $track->length->count,
                'offset_ticks' => $track->offset,
                'loudness' => $track->loudness,
                'peak' => $track->peak,
            ];
        }

        return $tracks;
    }

    private function refuse(Take $take, string $problem): void
    {
        $take->fill(['state' => TakeState::Unusable, 'problem' => $problem])->save();
    }
}
