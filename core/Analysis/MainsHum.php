<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Sound\Fourier;

/**
 * Hum of the mains: a steady tone at 50 or 60 Hz, or at two or three times that. A voice may pass through such a tone; it does
 * not stay there.
 */
final readonly class MainsHum
{
    /** Samples a second it is looked for in: as many as a frame has, so that a frequency is a whole Hz. */
    public const RATE = 1_024;

    private const HARMONICS = 3;

    /** Seconds: hum that does not go away is there from the beginning. */
    private const LONGEST = 300;

    /** Of all frames so many are quieter at that frequency: what is left is what never goes away. */
    private const ALWAYS = 0.2;

    /** dB by which it stands out of what lies 5 to 9 Hz beside it. */
    private const STANDS_OUT = 12.0;

    private const BESIDE = [-9, -7, -5, 5, 7, 9];

    /** Quieter hum is not heard, in dBFS: that of a good preamplifier. */
    private const HEARD_DB = -72.0;

    /** Power of a full-scale sine in a frame behind a Hann window, as Fourier gives it (times 4). */
    private const FULL_SCALE = 4 * (self::RATE / 4) ** 2;

    /**
     * @param  int  $frequency  50 or 60, Hz
     * @param  float  $level  dBFS, all that stands out together
     */
    private function __construct(public int $frequency, public float $level)
    {
    }

    /**
     * @param  string  $pcm  signed 16-bit little-endian, mono, RATE samples a second; less than two seconds tell nothing
     * @return self|null null when there is none
     */
    public static function of(string $pcm): ?self
    {
        $frames = self::frames($pcm);
        $found = null;
        foreach (count($frames) < 2 ? [] : [50, 60] as $mains) {
            $power = 0.0;
            for ($times = 1; $times <= self::HARMONICS; $times++) {
                $power += self::standing($frames, $mains * $times);
            }
            $level = $power > 0 ? 10 * log10($power / self::FULL_SCALE) : -INF;
            if ($level > max(self::HEARD_DB, $found->level ?? -INF)) {
                $found = new self($mains, $level);
            }
        }

        return $found;
    }

    /**
     * Power that is always there at a frequency; none when it does not stand out.
     *
     * @param  list<list<float>>  $frames
     */
    private static function standing(array $frames, int $frequency): float
    {
        $there = self::always(array_map(fn (array $f): float => $f[$frequency], $frames));
        $beside = array_map(
            fn (int $by): float => self::always(array_map(fn (array $f): float => $f[$frequency + $by], $frames)),
            self::BESIDE,
        );
        // A click or a second tone beside it may not hide it: the middle one counts.
        sort($beside);

        return $there > $beside[intdiv(count($beside), 2)] * 10 ** (self::STANDS_OUT / 10) ? $there : 0.0;
    }

    /** @param  list<float>  $powers */
    private static function always(array $powers): float
    {
        sort($powers);

        return $powers[(int) (self::ALWAYS * (count($powers) - 1))];
    }

    /** @return list<list<float>> power at each whole Hz, of frames of a second that overlap by half */
    private static function frames(string $pcm): array
    {
        $fourier = new Fourier(self::RATE);
        $samples = array_map(
            fn (int $v): float => ($v >= 32768 ? $v - 65536 : $v) / 32768,
            array_values((array) unpack('v*', substr($pcm, 0, min(strlen($pcm) & ~1, 2 * self::RATE * self::LONGEST)))),
        );
        $window = array_map(fn (int $i): float => 0.5 - 0.5 * cos((2 * M_PI * $i) / self::RATE), range(0, self::RATE - 1));
        $silence = array_fill(0, self::RATE, 0.0);
        $frames = [];
        for ($at = 0; $at + self::RATE <= count($samples); $at += self::RATE / 2) {
            $frame = [];
            foreach ($fourier->order as $i => $from) {
                $frame[$i] = $samples[$at + $from] * $window[$from];
            }
            $frames[] = $fourier->powers($frame, $silence)[0];
        }

        return $frames;
    }
}
