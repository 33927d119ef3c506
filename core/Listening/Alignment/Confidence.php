<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening\Alignment;

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

    /**
     * @param  list<list<float>>  $line  frames of the line as far as it was said
     * @return float 0..1
     */
    public static function of(Speech $speech, Attempt $attempt, array $line): float
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
}
