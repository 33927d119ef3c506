<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Lesson;
use App\Models\Take;
use OpenReel\Core\Take\AlignmentStatus;

/** Makes the pauses in a lesson's takes as long as its style wants them. */
final class TightenPauses
{
    public function __construct(private readonly SummariseTake $summarise)
    {
    }

    public function __invoke(Lesson $lesson): void
    {
        /** @var list<Take> $takes */
        $takes = Take::query()
            ->whereHas('summary', fn ($q) => $q->where('alignment', AlignmentStatus::Sure))
            ->whereIn('section_id', $lesson->sections()->select('id'))
            ->get()
            ->all();
        foreach ($takes as $take) {
            $before = $take->summary->tightened;
            if (($this->summarise)($take)->tightened !== $before) {
                $take->section->touch();
            }
        }
    }
}
