<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/** Which moment of a line each moment of a read is (dynamic time warping, Sakoe and Chiba 1978). */
final class Warp
{
    /** Of a frame's distances their mean, times this over them: distances become comparable between frames. */
    private const SCALE = 1.2;

    private const NEVER = 1e9;

    /**
     * @param  list<list<float>>  $line  as far as it is said
     * @return list<int> for each frame from $from to before $until the frame of the line, never going back; -1 in pauses
     */
    public static function path(Speech $speech, array $line, int $from, int $until): array
    {
        $length = count($line);
        $score = array_fill(0, $length, self::NEVER);
        $steps = [];
        $begun = false;
        for ($at = $from; $at < $until; $at++) {
            if (! $speech->isSpeech($at)) {
                $steps[] = null;

                continue;
            }
            $row = Distance::row($line, $speech->frames->at($at), 0, $length);
            $scale = (self::SCALE * $length) / max(1e-6, array_sum($row));
            $step = str_repeat("\0", $length);
            for ($j = $length - 1; $j >= 0; $j--) {
                $best = $score[$j] + Costs::STAY;
                if ($j > 0 && $score[$j - 1] < $best) {
                    $best = $score[$j - 1];
                    $step[$j] = "\1";
                }
                if ($j > 1 && $best > $score[$j - 2] + Costs::SKIP) {
                    $best = $score[$j - 2] + Costs::SKIP;
                    $step[$j] = "\2";
                }
                if ($j === 0 && ! $begun) {
                    $best = 0.0;
                }
                $score[$j] = $best < self::NEVER / 10 ? $best + $row[$j] * $scale : self::NEVER;
            }
            $begun = true;
            $steps[] = $step;
        }
        $j = max(0, $length - 1);
        while ($j > 0 && $score[$j] >= self::NEVER / 10) {
            $j--;
        }
        $path = array_fill(0, max(0, $until - $from), -1);
        for ($i = $until - $from - 1; $i >= 0; $i--) {
            if ($steps[$i] !== null) {
                $path[$i] = $j;
                $j = max(0, $j - ord($steps[$i][$j]));
            }
        }

        return array_values($path);
    }
}
