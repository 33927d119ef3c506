<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\CameraLookCache;
use App\Media\MediaStore;
use App\Media\TakeInspector;
use App\Media\WorkLock;
use App\MediaJobs\AlignSoundJob;
use App\MediaJobs\AnalyseCameraJob;
use App\Models\Take;
use App\Models\Track;
use App\Queries\Takes\TakeLevels;
use OpenReel\Core\Analysis\CameraRequest;
use OpenReel\Core\Analysis\RoomNoise;
use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\AnalysisResult;
use OpenReel\Core\Take\SoundFlag;

/** Looks a take over: what its room sounds like, whether its camera saw something, and what sets it off from others. */
final class InspectTake
{
    /** So long a stretch of the room alone is played to show what it sounds like. */
    private const ROOM_MS = 1_500;

    /** Noise is learned from as much of the room as there is. */
    private const LEARNED_MS = [1_500, 800, 400, 200];

    /** Where it becomes louder than this above the room, in dB, something else is heard. */
    private const STEADY_DB = 12.0;

    /** So long a stretch round a place. */
    private const AROUND_MS = 1_000;

    public function __construct(
        private readonly TakeInspector $inspector,
        private readonly CameraLookCache $looks,
        private readonly TakeLevels $levels,
        private readonly MediaStore $media,
        private readonly KeepResult $results,
    ) {
    }

    /**
     * @return bool false when another machine looks at its camera now, and will ask for this again
     *
     * @throws \App\Media\InfrastructureFailure
     */
    public function __invoke(Take $take): bool
    {
        $voice = $take->track(TrackKind::Microphone);
        $camera = $take->track(TrackKind::Camera);
        $hashes = [$voice?->hash, $camera?->hash];
        $order = self::order($camera);
        $lock = $order === null ? null : WorkLock::tryFor(AnalyseCameraJob::lockOf($this->looks->key($order)));
        if ($order !== null && $lock === null) {
            return false;
        }
        try {
            $look = $order === null ? null : $this->looks->look($order, (string) $camera?->file_path);
        } finally {
            $lock?->release();
        }
        [$sound, $flags, $places] = $this->sound($take, $voice);
        $take->refresh();
        if ([$take->track(TrackKind::Microphone)?->hash, $take->track(TrackKind::Camera)?->hash] !== $hashes) {
            // It was read again meanwhile, and will be looked over again.
            return true;
        }
        $offset = Tick::of(max(0, $camera->offset_ticks ?? 0));
        foreach (['camera-black' => $look?->black, 'camera-frozen' => $look?->frozen] as $flag => $spans) {
            if ($spans !== null && $spans !== []) {
                $places[$flag] = Span::between($spans[0]->from->plus($offset), $spans[0]->until->plus($offset));
            }
        }
        $this->results->analysis($take, new AnalysisResult(
            $sound['voice'],
            $sound['noise'],
            $sound['hum'],
            $sound['room'],
            $places,
            $look,
            [...array_column($flags, 'value'), ...array_column($look?->flags() ?? [], 'value')],
        ));

        return true;
    }

    /** Has other machines look at its camera, where there are some. */
    public function offer(Take $take): void
    {
        $camera = $take->track(TrackKind::Camera);
        $order = AlignSoundJob::isWanted() ? self::order($camera) : null;
        if ($order !== null) {
            AnalyseCameraJob::dispatch($order->toArray(), $this->looks->key($order), (string) $camera?->file_path);
        }
    }

    /**
     * @return array{array<string, mixed>, list<SoundFlag>, array<string, Span>} what was measured, flags, and
     *    where each flag is heard best, of those of ingest as well
     */
    private function sound(Take $take, ?Track $voice): array
    {
        $levels = $this->levels->of($take);
        $room = $levels === null ? null : RoomNoise::of($levels);
        if ($voice?->file_path === null || $levels === null || $room === null) {
            return [['voice' => null, 'noise' => null, 'hum' => null, 'room' => null], [], []];
        }
        [$hum, $high] = $this->inspector->sound($this->media->path($voice->file_path));
        $later = Tick::of(max(0, $voice->offset_ticks));
        $alone = $levels->quietestStretch(Tick::ofMilliseconds(self::ROOM_MS)) ?? Span::between(Tick::zero(), $levels->length());
        $around = Tick::ofMilliseconds(self::AROUND_MS);
        $loudest = $levels->loudest();
        $places = [
            SoundFlag::Noisy->value => $alone,
            SoundFlag::Hum->value => $alone,
            SoundFlag::Clipped->value => Span::between($loudest->minusOrZero($around), $loudest->plus($around)),
        ];

        return [
            [
                'voice' => round($room->voice, 1),
                'noise' => round($room->noise, 1),
                'hum' => $hum?->frequency,
                // Samples of the voice's file in which only the room is heard.
                'room' => self::alone($levels, $room),
            ],
            SoundChecks::further($levels, $high, $hum),
            array_map(fn (Span $s): Span => Span::between($s->from->plus($later), $s->until->plus($later)), $places),
        ];
    }

    /**
     * A stretch in which nobody speaks, from which noise can be learned.
     *
     * @return Span|null of the voice's file
     */
    private static function alone(Levels $levels, RoomNoise $room): ?Span
    {
        foreach (self::LEARNED_MS as $milliseconds) {
            $stretch = $levels->quietestStretch(Tick::ofMilliseconds($milliseconds));
            if ($stretch !== null && $levels->loudestIn($stretch) < $room->noise + self::STEADY_DB) {
                return $stretch;
            }
        }

        return null;
    }

    private static function order(?Track $camera): ?CameraRequest
    {
        return $camera?->file_path === null ? null : new CameraRequest(
            (string) $camera->hash, $camera->colour_range, $camera->colour_matrix, (int) $camera->height,
        );
    }
}
