<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Models\TakeSummary;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Takes\TakeFindings;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Kernel\Spans;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\LineAttempt;
use OpenReel\Core\Take\TakeView;

/**
 * Computes what is asked of many takes at once, whenever something of a take changed that it hangs on: what was found out, or
 * what was decided for it or for its lesson. The only place that writes it.
 */
final class SummariseTake
{
    /** Of a take's own columns, those on which it hangs. */
    public const EDITS = ['trim', 'cuts', 'cleaning', 'lines', 'silence_ms', 'section_id'];

    public function __invoke(Take $take): TakeSummary
    {
        $hadTracks = $take->relationLoaded('tracks');
        $found = TakeFindings::of($take);
        $view = TakeViews::of($take, $found);
        $isSure = $found->alignment?->isSure() ?? false;
        $speech = TakeView::speech($found->ingest, $found->alignment);
        $longestPause = LessonStyle::of($take->lesson())->longestPause;
        $summary = TakeSummary::query()->updateOrCreate(['take_id' => $take->id], [
            'length_ticks' => $view->length->count,
            'speech_from' => $speech?->from->count,
            'speech_until' => $speech?->until->count,
            'used' => Spans::pairs($view->used),
            'used_ticks' => Spans::length($view->used)->count,
            'flags' => $view->flags,
            'spoken' => $isSure ? $found->alignment->order : null,
            'repeated' => $isSure ? self::repeated($found->alignment->attempts) : [],
            'starts' => array_map(fn (Tick $t): int => $t->count, $view->timings->starts),
            'cut_points' => array_map(fn (Tick $t): int => $t->count, $view->timings->cuts),
            'flawed' => array_map(strval(...), array_keys($view->flawed)),
            'retakes' => Spans::pairs($found->ingest->retakes ?? []),
            'omitted' => Spans::pairs($isSure ? $found->alignment->omitted : []),
            'tightened' => Spans::pairs(TakeView::tightened($found->alignment, $longestPause, $take->silence_ms ?? 0)),
            'markers' => array_map(fn (Tick $t): int => $t->count, $found->ingest->markers ?? []),
            'alignment' => $found->alignment?->status,
            'is_analysed' => $found->analysis !== null,
        ]);
        // Whoever saves a take may add tracks to it next.
        $hadTracks || $take->unsetRelation('tracks');
        $take->setRelation('summary', $summary);

        return $summary;
    }

    /**
     * @param  list<LineAttempt>  $attempts
     * @return list<string>
     */
    private static function repeated(array $attempts): array
    {
        $begun = array_count_values(array_map(fn (LineAttempt $a): string => $a->line, $attempts));

        return array_map(strval(...), array_keys(array_filter($begun, fn (int $n): bool => $n > 1)));
    }
}
