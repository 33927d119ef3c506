<?php

declare(strict_types=1);

namespace App\Upkeep;

use App\Jobs\DeliverFilmJob;
use App\Jobs\DrawSlidesJob;
use App\Jobs\ExportLessonJob;
use App\Jobs\ImportDeckJob;
use App\Jobs\IngestTakeJob;
use App\Jobs\UnpackArchiveJob;
use App\Media\WorkLock;
use App\Models\ArchiveImport;
use App\Models\Deck;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\Take;
use App\Models\WorkState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Queue;
use OpenReel\Core\Take\TakeState;

/**
 * Work that was asked for and that no queue knows of: whoever asked was killed between the two, or what keeps the queues was, or
 * lost them. Where a queue is empty, what stands in the database as open is put on it.
 */
final class ForgottenWork
{
    /** What was asked for just now may not be on the queue yet. */
    private const JUST_NOW_SECONDS = 3;

    public static function release(): void
    {
        if (Queue::size('listen') === 0) {
            self::each(Take::query()->where('state', TakeState::Ingesting), fn (string $id) => new IngestTakeJob($id));
        }
        if (Queue::size('default') === 0) {
            self::each(self::open(Export::query()), fn (string $id) => new ExportLessonJob($id));
            self::each(self::open(Deck::query()), fn (string $id) => ImportDeckJob::of(Deck::query()->findOrFail($id)));
            self::each(self::open(ArchiveImport::query()->where('whole', true)), fn (string $id) => new UnpackArchiveJob($id));
            self::each(self::open(Delivery::query()), fn (string $id) => new DeliverFilmJob($id));
        }
    }

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $all
     * @return Builder<T>
     */
    private static function open(Builder $all): Builder
    {
        $all->whereIn('state', WorkState::OPEN);

        return $all;
    }

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $open
     * @param  callable(string): (IngestTakeJob|ExportLessonJob|ImportDeckJob|DrawSlidesJob|UnpackArchiveJob|DeliverFilmJob)  $job
     */
    private static function each(Builder $open, callable $job): void
    {
        $ids = $open->where('updated_at', '<', now()->subSeconds(self::JUST_NOW_SECONDS))->pluck('id');
        foreach ($ids as $id) {
            $again = $job((string) $id);
            $lock = WorkLock::tryFor($again->lockName());
            if ($lock !== null) {
                // Nobody does it.
                $lock->release();
                dispatch($again);
            }
        }
    }
}
