<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\Queries\Takes\TakeReader;
use OpenReel\Core\Analysis\SpeechFinder;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\Event\TakeEvent;
use OpenReel\Core\Take\LineTimes;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeAnnotations;
use OpenReel\Core\Take\WordAnchor;

/**
 * What is known of a take before its words are heard, and when they are not sure: where its speech lies, as its levels tell, and
 * when each line begins, as the prompter moved on.
 */
final class PrompterTimes
{
    /** A cut between two lines may lie so far from where the prompter moved on, in milliseconds. */
    private const CUT_WITHIN_MS = 400;

    /** So long is looked at what was written last. */
    private const AFTER_WRITING_MS = 600;

    /**
     * Sets them; all of what is said of the take's times by anything else goes.
     *
     * @param  Tick  $voiceFrom  moment of the take at which its sound begins
     * @param  list<TakeEvent>  $events
     */
    public static function put(Take $take, Levels $levels, Tick $voiceFrom, array $events): void
    {
        $speech = SpeechFinder::find($levels);
        $later = fn (?Tick $at): ?int => $at?->plus($voiceFrom)->count;
        // What was written behind the last word is meant to be seen.
        $written = TakeAnnotations::of($events)->written()?->plus(Tick::ofMilliseconds(self::AFTER_WRITING_MS));
        $until = $later($speech?->until);
        $take->fill([
            'spoken' => null,
            'left' => [],
            'tightened' => [],
            'flawed' => [],
            'speech_from' => $later($speech?->from),
            'speech_until' => $until === null || $written === null
                ? $until
                : max($until, min($written->count, $take->length_ticks)),
        ]);
        $lines = array_map(fn (array $l): SpokenLine => new SpokenLine($l['id'], $l['text']), $take->lines);
        $used = TakeReader::used($take);
        $times = $used === []
            ? []
            : LineTimes::of($lines, $events, Span::between($used[0]->from, $used[count($used) - 1]->until));
        $take->fill([
            'line_ticks' => array_map(fn (Tick $t): int => $t->count, $times),
            'cut_ticks' => array_map(fn (Tick $t): int => self::quiet($levels, $t, $voiceFrom)->count, $times),
            'reached' => array_map(
                fn (WordAnchor $r): array => ['line' => $r->line, 'within' => $r->within, 'at' => $r->at->count],
                LineTimes::reached($lines, $events),
            ),
        ]);
        $take->used_ticks = TakeReader::usedTicks($take);
    }

    /** The quietest moment near one: where a cut does least harm. */
    public static function quiet(Levels $levels, Tick $at, Tick $voiceFrom): Tick
    {
        return $levels->quietest($at->minusOrZero($voiceFrom), Tick::ofMilliseconds(self::CUT_WITHIN_MS))->plus($voiceFrom);
    }
}
