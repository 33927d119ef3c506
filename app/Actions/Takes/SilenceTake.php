<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Events\LessonChanged;
use App\Models\Take;
use OpenReel\Core\Kernel\Tick;

/** Sets what is silent of a take in the film, from word to word; its picture goes on. */
final class SilenceTake
{
    public function __construct(private readonly WordEdges $edges)
    {
    }

    /** @param  list<array{Tick, Tick}>  $silences  all there are to be */
    public function __invoke(Take $take, array $silences): void
    {
        $take->update(['silences' => $this->edges->of($take, $silences, $take->silences)]);
        $take->section->touch();
        LessonChanged::dispatch($take->section->lesson_id);
    }
}
