<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Takes\IngestTake;
use App\Actions\Takes\ReingestTake;
use App\Models\Take;
use App\OperationRejected;
use Illuminate\Console\Command;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use OpenReel\Core\Take\TakeState;

final class ReingestCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:reprocess
        {take?* : ids of takes; without any, every take that could not be read}';

    protected $description = 'Process takes again from what came from the recorder';

    /** Its name in the version before. */
    protected $aliases = ['reel:read-again'];

    public function handle(ReingestTake $again, IngestTake $ingest): int
    {
        // Everything is done here and now; nothing is left to queue workers.
        config(['queue.default' => 'null']);

        return $this->plainly(function () use ($again, $ingest): int {
            $ids = array_values(array_filter((array) $this->argument('take'), is_string(...)));
            /** @var Collection<int, Take> $takes */
            $takes = Take::query()
                ->when(
                    $ids === [],
                    fn (Builder $q) => $q
                        ->whereIn('state', [TakeState::Unusable, TakeState::Ingesting])
                        ->where('recording_kept', true),
                    fn (Builder $q) => $q->whereKey($ids),
                )
                ->get();
            $missing = array_diff($ids, $takes->modelKeys());
            if ($missing !== []) {
                throw OperationRejected::badInput('There is no take '.implode(', ', $missing).'.');
            }
            $failed = 0;
            foreach ($takes as $take) {
                $ingest($again($take));
                $this->line("Take {$take->number} of \"{$take->section->heading}\": ".($take->refresh()->problem ?? 'ready'));
                $failed += $take->state === TakeState::Ready ? 0 : 1;
            }
            if ($takes->isEmpty()) {
                $this->line('No take has to be read again.');
            }

            return $failed === 0 ? self::SUCCESS : self::FAILURE;
        });
    }
}
