<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Media\MediaStore;
use App\Media\WholeFiles;
use App\Models\Take;
use App\Models\Track;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/**
 * Removes what came from the recorder once it is not needed any more: the take has been used in a finished film, or a week
 * has gone, or the disk is filling up. What replaces it is played to its end first.
 */
final class ClearRecordings
{
    private const DAYS = 7;

    /** Below this much free space beside the reserve, recordings that could stay have to go. */
    private const ROOMY_BYTES = 2 * 1024 * 1024 * 1024;

    public function __construct(private readonly WholeFiles $files, private readonly MediaStore $media)
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
        $raws = $take->tracks->filter(fn (Track $track): bool => $this->media->exists($track->path));
        foreach ($raws as $raw) {
            if (! $this->isReplaced($raw, $take)) {
                Log::error("The {$raw->kind->value} of take {$take->id} cannot be played to its end; its recording stays");

                return;
            }
        }
        $raws->each(fn (Track $raw) => $this->media->delete($raw->path));
        $take->update(['recording_kept' => false]);
    }

    /** Tracks of a take need not be equally long, so each is held against its own recording. */
    private function isReplaced(Track $raw, Take $take): bool
    {
        $came = fn (Track $track): bool => $track->is($raw) || ($track->path === null && $raw->kind === TrackKind::Camera);
        $made = array_values($take->tracks->filter($came)->pluck('file_path')->all());
        $paths = array_map(fn (?string $file): string => $this->media->path((string) $file), $made);

        return array_filter($made, $this->media->exists(...)) === $made
            && $this->files->replaces($paths, $this->media->path((string) $raw->path));
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
