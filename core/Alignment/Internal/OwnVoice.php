<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Whether two stretches of a take are the same words: the presenter's own voice, said twice, is far more like itself than
 * like any reference.
 */
final class OwnVoice
{
    private const NEVER = 1e9;

    /**
     * How like the beginning of a whole read a stretch is. The path begins at both beginnings and ends anywhere in the read.
     *
     * @return array{float, float} distance a frame, where 1 is that of any two frames of the take; and how much of the read was
     *    reached, 0..1
     */
    public static function compare(Speech $speech, int $from, int $until, SearchHit $whole): array
    {
        $read = self::frames($speech, $whole->from, $whole->until);
        $length = count($read);
        $score = array_fill(0, $length, self::NEVER);
        $frames = self::frames($speech, $from, $until);
        foreach ($frames as $i => $x) {
            $row = Distance::row($read, $x, 0, $length);
            $scale = $length / max(1e-6, array_sum($row));
            for ($j = $length - 1; $j >= 0; $j--) {
                $best = min(
                    $score[$j] + Costs::STAY,
                    $j > 0 ? $score[$j - 1] : self::NEVER,
                    $j > 1 ? $score[$j - 2] + Costs::SKIP : self::NEVER,
                    $i === 0 && $j < 3 ? 0.0 : self::NEVER,
                );
                $score[$j] = $best < self::NEVER ? $best + $row[$j] * $scale : self::NEVER;
            }
        }
        if ($frames === [] || $score === []) {
            return [INF, 0.0];
        }
        $least = min($score);

        return [$least / count($frames), ((int) array_search($least, $score, true) + 1) / $length];
    }

    /** @return list<list<float>> of the speech in a stretch */
    private static function frames(Speech $speech, int $from, int $until): array
    {
        $frames = [];
        for ($at = $from; $at < $until; $at++) {
            if ($speech->isSpeech($at)) {
                $frames[] = $speech->frames->at($at);
            }
        }

        return $frames;
    }
}
