<?php

declare(strict_types=1);

namespace App\Actions\Storage;

use App\Actions\People\WriteHistory;
use App\Actions\Takes\SummariseTake;
use App\Media\MediaStore;
use App\Models\ClearedTake;
use App\Models\Lesson;
use App\Models\Take;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** Clears what was set aside, on purpose; for a month it can be brought back. */
final class ClearTakes
{
    public function __construct(
        private readonly MediaStore $media,
        private readonly WriteHistory $write,
        private readonly SummariseTake $summarise,
    ) {
    }

    /** @return int how many takes were cleared */
    public function __invoke(Lesson $lesson): int
    {
        return DB::transaction(function () use ($lesson): int {
            $takes = self::setAside($lesson);
            foreach ($takes as $take) {
                ClearedTake::query()->create([
                    'id' => $take->id,
                    'lesson_id' => $lesson->id,
                    'recorded_in' => $take->recorded_in,
                    'number' => $take->number,
                    'bytes' => $this->media->bytesIn($take->folder()),
                    'record' => [
                        'take' => $take->getAttributes(),
                        'tracks' => array_map(fn ($track): array => $track->getAttributes(), array_values($take->tracks->all())),
                        'results' => DB::table('take_results')->where('take_id', $take->id)->orderBy('id')->get()
                            ->map(fn (\stdClass $row): array => array_diff_key((array) $row, ['id' => true]))->all(),
                    ],
                    'cleared_at' => now(),
                ]);
                $take->delete();
            }
            $lesson->touch();
            ($this->write)(AuditAction::TakesCleared, $lesson, ['count' => $takes->count()]);

            return $takes->count();
        });
    }

    /**
     * Brings back what was cleared of a lesson, set aside as it was.
     *
     * @return int how many takes came back
     */
    public function undo(Lesson $lesson): int
    {
        return DB::transaction(function () use ($lesson): int {
            $cleared = ClearedTake::query()->where('lesson_id', $lesson->id)->get();
            foreach ($cleared as $one) {
                DB::table('takes')->insert($one->record['take']);
                DB::table('tracks')->insert($one->record['tracks']);
                DB::table('take_results')->insert($one->record['results']);
                ($this->summarise)(Take::query()->findOrFail($one->id));
                $one->delete();
            }
            $lesson->touch();
            ($this->write)(AuditAction::TakesBrought, $lesson, ['count' => $cleared->count()]);

            return $cleared->count();
        });
    }

    /** Removes for good what was cleared so long ago that nobody will miss it. */
    public function forget(): void
    {
        foreach (ClearedTake::query()->where('cleared_at', '<', now()->subDays(ClearedTake::DAYS))->get() as $one) {
            // The files first: what is left when this breaks off is found again.
            $this->media->deleteFolder("lessons/{$one->lesson_id}/takes/{$one->id}");
            $one->delete();
        }
    }

    /** @return Collection<int, Take> takes of a lesson that are set aside, and with which nothing is being done */
    private static function setAside(Lesson $lesson): Collection
    {
        /** @var Collection<int, Take> $takes */
        $takes = Take::query()
            ->with('tracks')
            ->where('verdict', Verdict::Discarded)
            ->whereIn('state', [TakeState::Ready, TakeState::Unusable])
            ->whereIn('section_id', DB::table('sections')->where('lesson_id', $lesson->id)->select('id'))
            ->get();

        return $takes;
    }
}
