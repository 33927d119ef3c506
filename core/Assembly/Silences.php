<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;

/**
 * The silences in a passage that are long enough to be gone through faster, and which of them a cue means: the one before the
 * word it stands at. Speech never runs faster, and neither do the breaths beside it.
 */
final class Silences
{
    /** Shorter ones are pauses of speech. */
    private const LEAST_MS = 2_000;

    /** Left at its own pace on both sides, so that words keep their silence: more than 80 ms before and 120 ms after them. */
    private const BESIDE_MS = 300;

    /** A word may begin so long behind a silence: where only the prompter was there, nobody knows better. */
    private const NEAR_MS = 2_000;

    /** @return list<Span> of the take, in order */
    public static function in(Passage $passage): array
    {
        $least = Tick::ofMilliseconds(self::LEAST_MS)->count;
        $found = [];
        foreach ($passage->take->content->pauses as $pause) {
            $from = Tick::later($pause->from, $passage->span->from);
            $until = Tick::earlier($pause->until, $passage->span->until);
            if ($until->count - $from->count >= $least) {
                $found[] = Span::between($from, $until);
            }
        }

        return $found;
    }

    /**
     * @param  list<SpeedCueAt>  $cues  in the order of the script: of two for one silence the last counts
     */
    public static function quicken(Passage $passage, array $cues): Passage
    {
        $silences = $cues === [] ? [] : self::in($passage);
        $quick = [];
        foreach ($silences === [] ? [] : $cues as $cued) {
            $n = self::before(self::place($cued, $passage), $silences);
            if ($n !== null) {
                $quick[$n] = new SpeedUp(self::inner($silences[$n]), $cued->cue->times);
            }
        }
        ksort($quick);

        return $quick === []
            ? $passage
            : new Passage($passage->take, $passage->span, $passage->lines, array_values($quick), $passage->goesOn);
    }

    /**
     * @param  list<Passage>  $passages  of a section
     * @param  list<SpeedCueAt>  $cues  of that section
     * @return list<int> numbers of the cues whose word is spoken, but behind no silence
     */
    public static function idle(array $passages, array $cues): array
    {
        $idle = [];
        foreach ($cues as $cued) {
            $spoken = array_filter($passages, fn (Passage $p): bool => self::place($cued, $p) !== null);
            $quickens = fn (Passage $p): bool => self::before(self::place($cued, $p), self::in($p)) !== null;
            if ($spoken !== [] && array_filter($spoken, $quickens) === []) {
                $idle[] = $cued->number;
            }
        }

        return $idle;
    }

    /** The moment of the take at which a cue stands; null where the passage does not come by. */
    private static function place(SpeedCueAt $cued, Passage $passage): ?Tick
    {
        return match (true) {
            $cued->line === null => $passage->span->until,
            $passage->lines !== [] && ! in_array($cued->line, $passage->lines, true) => null,
            default => $passage->take->at($cued->line, $cued->within),
        };
    }

    /**
     * @param  list<Span>  $silences
     * @return int|null which of them ends where a word begins
     */
    private static function before(?Tick $word, array $silences): ?int
    {
        $found = null;
        foreach ($silences as $n => $silence) {
            $middle = intdiv($silence->from->count + $silence->until->count, 2);
            $found = $word !== null && $middle <= $word->count ? $n : $found;
        }

        return $found === null || $word === null ||
            $word->minusOrZero($silences[$found]->until)->count > Tick::ofMilliseconds(self::NEAR_MS)->count ? null : $found;
    }

    private static function inner(Span $silence): Span
    {
        $beside = Tick::ofMilliseconds(self::BESIDE_MS);

        return Span::between($silence->from->plus($beside), $silence->until->minusOrZero($beside));
    }
}
