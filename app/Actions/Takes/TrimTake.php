<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Jobs\PrepareLessonJob;
use App\Models\Take;
use App\Readers\TakeReader;
use App\Refusal;
use OpenReel\Core\Time\Span;
use OpenReel\Core\Time\Tick;

/** Sets which part of a take is used, or goes back to the part found by listening. */
final class TrimTake
{
    /** Shorter than this cannot have been meant: two tenths of a second. */
    private const SHORTEST = 9_600;

    /** @throws Refusal when nothing would be left */
    public function __invoke(Take $take, ?Tick $from, ?Tick $until): void
    {
        if ($from === null && $until === null) {
            $take->update(['used' => null, 'used_ticks' => self::length($take->forceFill(['used' => null]))]);
        } else {
            $start = $from->count ?? ($take->speech_from ?? 0);
            $end = min($until->count ?? ($take->speech_until ?? $take->length_ticks), $take->length_ticks);
            if ($end - $start < self::SHORTEST) {
                throw Refusal::badInput('The end must lie after the start and inside the take.');
            }
            $take->update([
                'used' => [[$start, $end]],
                'used_ticks' => self::length($take->forceFill(['used' => [[$start, $end]]])),
            ]);
        }
        $take->section->touch();
        PrepareLessonJob::dispatch($take->section->lesson_id);
    }

    /** How much is used of a take, reads that went wrong left out. */
    private static function length(Take $take): int
    {
        return array_sum(array_map(fn (Span $s): int => $s->length()->count, TakeReader::used($take)));
    }
}
