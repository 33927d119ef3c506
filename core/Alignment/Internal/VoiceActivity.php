<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * Which frames hold speech. Judged by how far each band stands above its own noise, in the mean over the bands: a voice as loud
 * as a fan fills other bands than the fan does, which a gate on the whole energy would not see.
 */
final class VoiceActivity
{
    /** Bands looked at: the lowest holds hum, the highest hiss. */
    private const BANDS = [1, 22];

    /** Part of the frames that is quieter than a band's noise, and a level that voices reach now and then. */
    private const NOISE_PART = 0.15;

    private const VOICE_PART = 0.93;

    /** A band's noise lies at most 50 dB below its voice. */
    private const DEEPEST = 1e-5;

    /** Where speech begins and ends: parts of the way from the quiet to the voice, and at least so many dB. */
    private const BEGINS = [0.30, 2.5];

    private const ENDS = [0.17, 1.7];

    /** Frames: bursts up to 60 ms are clicks, gaps up to 70 ms are stops inside a word. */
    private const BURST = 3;

    private const GAP = 3;

    /** @return string a byte a frame: "1" for speech, "0" for none */
    public static function of(Frames $spectrum): string
    {
        if ($spectrum->count === 0) {
            return '';
        }
        $excess = self::smooth(self::excess($spectrum));
        $sorted = $excess;
        sort($sorted);
        $quiet = $sorted[(int) ($spectrum->count * 0.1)];
        $range = max(4.0, $sorted[(int) ($spectrum->count * self::VOICE_PART)] - $quiet);
        $on = $quiet + max(self::BEGINS[1], self::BEGINS[0] * $range);
        $off = $quiet + max(self::ENDS[1], self::ENDS[0] * $range);
        $forward = self::hold($excess, $on, $off);
        $back = strrev(self::hold(array_reverse($excess), $on, $off));

        return self::without(self::without($forward | $back, '1', self::BURST), '0', self::GAP);
    }

    /**
     * @return string with runs of one value that are at most so long turned into the other; silence at either end stays
     */
    public static function without(string $mask, string $value, int $longest): string
    {
        $pattern = $value === '1' ? "/(?<!1)1{1,{$longest}}(?!1)/" : "/(?<=1)0{1,{$longest}}(?=1)/";

        return (string) preg_replace_callback(
            $pattern,
            fn (array $run): string => str_repeat($value === '1' ? '0' : '1', strlen($run[0])),
            $mask,
        );
    }

    /** @return list<float> dB by which the bands of each frame stand above their noise, in the mean */
    private static function excess(Frames $spectrum): array
    {
        [$first, $last] = self::BANDS;
        $noise = [];
        for ($band = $first; $band <= $last; $band++) {
            $column = [];
            for ($frame = 0; $frame < $spectrum->count; $frame++) {
                $column[] = $spectrum->at($frame)[$band];
            }
            sort($column);
            $noise[$band] = max(
                $column[(int) ($spectrum->count * self::NOISE_PART)],
                $column[(int) ($spectrum->count * self::VOICE_PART)] * self::DEEPEST,
            );
        }
        $excess = [];
        for ($frame = 0; $frame < $spectrum->count; $frame++) {
            $bands = $spectrum->at($frame);
            $sum = 0.0;
            foreach ($noise as $band => $floor) {
                $sum += $bands[$band] > $floor ? log10($bands[$band] / $floor) : 0.0;
            }
            $excess[] = (10 * $sum) / count($noise);
        }

        return $excess;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function smooth(array $values): array
    {
        $last = count($values) - 1;
        $smooth = [];
        foreach ($values as $i => $value) {
            $smooth[] = ($values[max(0, $i - 1)] + 2 * $value + $values[min($last, $i + 1)]) / 4;
        }

        return $smooth;
    }

    /** @param  list<float>  $values */
    private static function hold(array $values, float $on, float $off): string
    {
        $mask = '';
        $is = false;
        foreach ($values as $value) {
            $is = $value > $on || ($is && $value >= $off);
            $mask .= $is ? '1' : '0';
        }

        return $mask;
    }
}
