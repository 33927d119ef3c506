<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Jobs\PrepareLessonJob;
use App\Media\MediaStore;
use App\Models\Take;
use App\Readers\TakeReader;
use App\Refusal;
use OpenReel\Core\Listening\Levels;
use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Take\Trim;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Sets what the presenter leaves out of a take, from word to word; every edge goes to the quietest place near it. */
final class CutTake
{
    /** So far an edge may go, in milliseconds: from the edge of a word into the silence beside it. */
    private const NEAR_MS = 80;

    /** Shorter than this is no word and no pause: ticks (0.04 s). */
    private const LEAST = 1_920;

    /** Ticks. */
    private const MILLISECOND = 48;

    /** As much as has to be left, see TrimTake. */
    private const SHORTEST = 9_600;

    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @param  list<array{Tick, Tick}>  $cuts  all there are to be
     *
     * @throws Refusal when nothing would be left
     */
    public function __invoke(Take $take, array $cuts): void
    {
        $stretches = [];
        foreach ($cuts as [$from, $until]) {
            $stretch = [max(0, $from->count), min($take->length_ticks, $until->count)];
            // Those that were there stay where they are.
            $stretches[] = self::kept($take->cuts, $stretch) ?? $this->quiet($take, $stretch);
        }
        $stretches = Trim::joined(array_values(array_filter($stretches, fn (array $s): bool => $s[1] - $s[0] >= self::LEAST)));
        $take->cuts = $stretches;
        $left = array_sum(array_map(fn (Span $s): int => $s->length()->count, TakeReader::used($take)));
        if ($left < self::SHORTEST) {
            throw Refusal::badInput('Nothing would be left of this take. Discard it instead.');
        }
        $take->used_ticks = $left;
        $take->save();
        $take->section->touch();
        PrepareLessonJob::dispatch($take->section->lesson_id);
    }

    /**
     * The stretch as it is kept, when it is the same in milliseconds.
     *
     * @param  list<array{int, int}>  $cuts
     * @param  array{int, int}  $stretch
     * @return array{int, int}|null
     */
    private static function kept(array $cuts, array $stretch): ?array
    {
        foreach ($cuts as $cut) {
            if (abs($cut[0] - $stretch[0]) < self::MILLISECOND && abs($cut[1] - $stretch[1]) < self::MILLISECOND) {
                return $cut;
            }
        }

        return null;
    }

    /**
     * @param  array{int, int}  $stretch
     * @return array{int, int}
     */
    private function quiet(Take $take, array $stretch): array
    {
        $file = $take->folder().'/levels.dat';
        if (! $this->media->exists($file)) {
            return $stretch;
        }
        $levels = Levels::unpacked((string) file_get_contents($this->media->path($file)));
        $later = max(0, (int) $take->track(TrackKind::Microphone)?->offset_ticks);

        return array_map(
            fn (int $at): int => $levels
                ->quietest(Tick::of(max(0, $at - $later)), Tick::ofMilliseconds(self::NEAR_MS))
                ->count + $later,
            $stretch,
        );
    }
}
