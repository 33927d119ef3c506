<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use App\OperationRejected;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\CutPlacement;

/** Sets which part of a take is used, or goes back to the part found by listening. */
final class TrimTake
{
    /** Ticks: what is the same in milliseconds has not been moved. */
    private const SAME = Tick::PER_MILLISECOND;

    public function __construct(private readonly WordEdges $edges)
    {
    }

    /**
     * @param  bool  $snap  whether what changes goes to the quietest place near it
     *
     * @throws OperationRejected when nothing would be left
     */
    public function __invoke(Take $take, ?Tick $from, ?Tick $until, bool $snap = false): void
    {
        if ($from === null && $until === null) {
            $take->update(['trim' => null]);
        } else {
            $found = $take->summary;
            $start = $from->count ?? ($found->speech_from ?? 0);
            $end = min($until->count ?? ($found->speech_until ?? $found->length_ticks), $found->length_ticks);
            [$from, $until] = self::bounds($take);
            $start = $snap && abs($start - $from) > self::SAME ? $this->edges->quiet($take, $start) : $start;
            $end = $snap && abs($end - $until) > self::SAME ? $this->edges->quiet($take, $end) : $end;
            if ($end - $start < CutPlacement::LEAST_USED) {
                throw OperationRejected::badInput('The end must lie after the start and inside the take.');
            }
            $take->update(['trim' => [[$start, $end]]]);
        }
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);
    }

    /** @return array{int, int} ticks from and until of what is used now */
    private static function bounds(Take $take): array
    {
        $used = $take->summary->used;

        return $used === [] ? [0, $take->summary->length_ticks] : [$used[0][0], $used[count($used) - 1][1]];
    }
}
