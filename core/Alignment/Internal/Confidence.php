<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * How sure one may be that a read is the line it was taken for: how much nearer it is to the line than to *decoys*, the same
 * sounds in another order, which are as long, as loud and as noisy. Measured on synthetic takes from 10 dB signal to noise up
 * and on human speech, the middle read of a take is at 0.36 to 0.83 of its decoys' distance, at 0.79 to 0.94 where the script
 * is another.
 */
final class Confidence
{
    private const NEVER = 1e9;

    private const MIDDLE = 0.815;

    private const STEEP = 0.02;

    /** Frames: less than this (1.5 s) is little to go by, */
    private const LITTLE = 75;

    /** where more than two thirds of what sounds like speech is something else. */
    private const PART = 1 / 3;

    /**
     * @param  list<list<float>>  $line  frames of the line as far as it was said
     * @return float 0..1
     */
    public static function of(Speech $speech, SearchHit $attempt, array $line): float
    {
        $half = intdiv(count($line), 2);
        $read = [];
        for ($at = $attempt->from; $at < $attempt->until; $at++) {
            if ($speech->isSpeech($at)) {
                $read[] = $speech->frames->at($at);
            }
        }
        $own = self::distance($read, $line);
        $decoys = [
            self::distance($read, array_reverse($line)),
            self::distance($read, [...array_slice($line, $half), ...array_slice($line, 0, $half)]),
        ];

        return round(1 / (1 + exp(($own / max(1e-6, min($decoys)) - self::MIDDLE) / self::STEEP)), 3);
    }

    /**
     * @param  list<list<float>>  $read
     * @param  list<list<float>>  $line
     * @return float a frame, both from their beginnings to their ends
     */
    private static function distance(array $read, array $line): float
    {
        $length = count($line);
        $score = array_fill(0, $length, self::NEVER);
        foreach ($read as $i => $x) {
            $row = Distance::row($line, $x, 0, $length);
            for ($j = $length - 1; $j >= 0; $j--) {
                $best = min(
                    $score[$j] + Costs::STAY,
                    $j > 0 ? $score[$j - 1] : ($i === 0 ? 0.0 : self::NEVER),
                    $j > 1 ? $score[$j - 2] + Costs::SKIP : self::NEVER,
                );
                $score[$j] = $best < self::NEVER ? $best + $row[$j] : self::NEVER;
            }
        }

        return $length === 0 || $read === [] ? self::NEVER : $score[$length - 1] / count($read);
    }

    /**
     * That of the middle read, and none where none was found.
     *
     * @param  list<float>  $each
     */
    public static function ofAll(array $each): float
    {
        sort($each);

        return $each[intdiv(count($each), 2)] ?? 0.0;
    }

    /**
     * Of a take: a word or two in much that is no line is no surer than the part of it that they are, for somewhere in noise
     * something always sounds like "Look."
     *
     * @param  list<float>  $each
     * @param  int  $read  frames with speech in all reads
     * @param  int  $spoken  frames with speech in all of the take
     */
    public static function ofTake(array $each, int $read, int $spoken): float
    {
        $all = self::ofAll($each);

        return $read < min(self::LITTLE, $spoken * self::PART) ? min($all, round($read / $spoken, 3)) : $all;
    }
}
