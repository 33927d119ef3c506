<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Take\TakeView;

/** Cuts a take between its lines. */
final class TakeSpans
{
    /**
     * Where each line lies. What comes before the first belongs to the first, what comes behind the last to the last.
     *
     * @return array<string, Span> by line id, in the order spoken; lines of which nothing is left after trimming are left out
     */
    public static function of(TakeView $take): array
    {
        if ($take->used === []) {
            return [];
        }
        $from = $take->used[0]->from->count;
        $until = $take->used[count($take->used) - 1]->until->count;
        $spans = $group = [];
        $start = $from;
        foreach (array_column($take->lines, 'id') as $i => $line) {
            $group[] = $line;
            $next = $take->lines[$i + 1]->id ?? null;
            $cut = $next === null ? $until : ($take->timings->cuts[$next] ?? null)?->count;
            if ($cut === null) {
                // Nobody knows where this line ends and the next begins: they lie together.
                continue;
            }
            $end = max($start, min($until, $cut));
            if ($end > $start) {
                $spans += array_fill_keys($group, Span::between(Tick::of($start), Tick::of($end)));
            }
            [$start, $group] = [$end, []];
        }

        return $spans;
    }

    /**
     * The pieces of a stretch that are left after trimming.
     *
     * @param  list<Span>  $used
     * @return list<Span>
     */
    public static function inside(Span $stretch, array $used): array
    {
        $left = [];
        foreach ($used as $span) {
            $from = Tick::later($stretch->from, $span->from);
            $until = Tick::earlier($stretch->until, $span->until);
            if ($from->isBefore($until)) {
                $left[] = Span::between($from, $until);
            }
        }

        return $left;
    }
}
