<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\MediaStore;
use App\Media\TakeMaker;
use App\Models\Take;
use App\Models\TakeState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Log;

/**
 * Removes what came from the recorder once it is not needed any more: the take has been used in a finished film, or a week
 * has gone, or the disk is filling up. What replaces it is played to its end first.
 */
final class ClearRecordings
{
    private const DAYS = 7;

    /** Below this much free space beside the reserve, recordings that could stay have to go. */
    private const ROOMY_BYTES = 2 * 1024 * 1024 * 1024;

    public function __construct(private readonly TakeMaker $maker, private readonly MediaStore $media)
    {
    }

    /** @param  list<string>  $takes  ids of takes that a finished film shows */
    public function used(array $takes): void
    {
        array_map($this->clear(...), self::ready(fn (Builder $q) => $q->whereKey($takes)));
    }

    /** @param  int  $most  takes looked at */
    public function old(int $most): void
    {
        array_map(
            $this->clear(...),
            self::ready(fn (Builder $q) => $q->where('created_at', '<', now()->subDays(self::DAYS))->limit($most)),
        );
        foreach (self::ready(fn (Builder $q) => $q->oldest()->limit($most)) as $take) {
            if ($this->media->free() > self::ROOMY_BYTES + config('reel.reserve_bytes')) {
                return;
            }
            $this->clear($take);
        }
    }

    private function clear(Take $take): void
    {
        $path = fn (?string $relative): string => $this->media->path((string) $relative);
        $made = array_values(array_unique(array_filter($take->tracks->pluck('file_path')->all())));
        $raws = array_values(array_filter($take->tracks->pluck('path')->all(), $this->media->exists(...)));
        if (
            array_filter($made, $this->media->exists(...)) !== $made ||
            ! $this->maker->replaces(array_map($path, $made), array_map($path, $raws))
        ) {
            Log::error("Take {$take->id} cannot be played to its end; its recording stays");

            return;
        }
        array_map($this->media->delete(...), $raws);
        $take->update(['recording_kept' => false]);
    }

    /**
     * @param  callable(Builder<Take>): mixed  $which
     * @return list<Take>
     */
    private static function ready(callable $which): array
    {
        $takes = Take::query()->where('state', TakeState::Ready)->where('recording_kept', true);
        $which($takes);
        /** @var list<Take> */
        $found = array_values($takes->get()->all());

        return $found;
    }
}
