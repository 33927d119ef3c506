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
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\Erasure;
use OpenReel\Core\Take\Event\MarkerDropped;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\Event\TrackStarted;
use OpenReel\Core\Take\EventLog;
use OpenReel\Core\Take\Retakes;
use OpenReel\Core\Take\TakeAnnotation;
use OpenReel\Core\Take\TakeAnnotations;
use OpenReel\Core\Take\TakeClock;
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
        $events = $this->events($take);
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

    /** @return list<TakeEvent> */
    private function events(Take $take): array
    {
        $log = $take->folder().'/events.jsonl';

        // What has just been recorded lies here, whatever the shared disk says.
        $isThere = $take->length_ticks === 0 ? is_file($this->media->here($log)) : $this->media->exists($log);

        return $isThere ? EventLog::read((string) file_get_contents($this->media->path($log))) : [];
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
        $isFirst = $take->length_ticks === 0;
        $levels = $made->voice ?? new Levels([], [], 0, 0);
        $this->media->write($take->folder().'/wave.json', json_encode($levels->wave(self::WAVE_POINTS), JSON_THROW_ON_ERROR));
        $this->media->write($take->folder().'/levels.dat', $levels->packed());
        $this->media->delete($take->folder().'/poster.jpg');
        $drawn = TakeAnnotations::of($events);
        $take->fill([
            'state' => TakeState::Ready,
            'problem' => null,
            // Its words have to be listened for anew.
            'hearing' => null,
            'heard' => null,
            'inspected' => null,
            'length_ticks' => $made->length->count,
            'flags' => $made->voice === null ? ['no-sound'] : array_column(SoundChecks::of($levels), 'value'),
            'marks' => self::marks($drawn),
            'fluffs' => array_map(
                fn (Span $s): array => array_map(
                    fn (Tick $t): int => PrompterTimes::quiet($levels, $t, $made->voiceFrom)->count,
                    [$s->from, $s->until],
                ),
                Retakes::of($events),
            ),
        ]);
        $take->fluffs = array_values(array_filter($take->fluffs, fn (array $f): bool => $f[0] < $f[1]));
        $take->markers = self::markers($take->markers, $events);
        PrompterTimes::put($take, $levels, $made->voiceFrom, $events);
        if ($isFirst) {
            // Read again, it keeps what is left of them: those written into the script are there, or were taken out of it.
            $take->given = GivenCues::of($take, $events);
        }
        $tracks = $this->settle($take, $made);
        DB::transaction(function () use ($take, $tracks): void {
            $take->tracks()->update(self::NO_FILE);
            foreach ($tracks as $kind => $values) {
                $take->tracks()->updateOrCreate(['kind' => $kind], $values);
            }
            $take->save();
        });
        $take->unsetRelation('tracks');
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
            $this->media->settle($track->draft, $path);
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

    /** @return list<array<string, mixed>> */
    private static function marks(TakeAnnotations $drawn): array
    {
        return [
            ...array_map(fn (TakeAnnotation $m): array => $m->toArray(), $drawn->marks),
            ...array_map(fn (Erasure $w): array => ['kind' => 'wipe', 'on' => $w->on, 'from' => $w->at->count], $drawn->wipes),
        ];
    }

    /**
     * Markers in the order they were dropped; what was written at them stays when a take is read again.
     *
     * @param  list<array{id: int, at: int, says: string}>  $before
     * @param  list<TakeEvent>  $events
     * @return list<array{id: int, at: int, says: string}>
     */
    private static function markers(array $before, array $events): array
    {
        $clock = TakeClock::fromEvents($events);
        $says = array_column($before, 'says', 'id');
        $markers = [];
        foreach ($events as $event) {
            if ($event instanceof MarkerDropped) {
                $id = count($markers) + 1;
                $markers[] = ['id' => $id, 'at' => $clock->at($event->atMs)->count, 'says' => $says[$id] ?? ''];
            }
        }

        return $markers;
    }

    private function refuse(Take $take, string $problem): void
    {
        $take->fill(['state' => TakeState::Unusable, 'problem' => $problem])->save();
    }
}
