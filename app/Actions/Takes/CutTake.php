<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use App\OperationRejected;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\CutPlacement;

/** Sets what the presenter leaves out of a take, from word to word. */
final class CutTake
{
    public function __construct(private readonly WordEdges $edges)
    {
    }

    /**
     * @param  list<array{Tick, Tick}>  $cuts  all there are to be
     *
     * @throws OperationRejected when nothing would be left
     */
    public function __invoke(Take $take, array $cuts): void
    {
        $take->cuts = $this->edges->of($take, $cuts, $take->cuts);
        if (Spans::length(TakeViews::of($take)->used)->count < CutPlacement::LEAST_USED) {
            throw OperationRejected::badInput('Nothing would be left of this take. Discard it instead.');
        }
        $take->save();
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);
    }
}
