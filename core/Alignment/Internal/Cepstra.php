<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

/**
 * What a frame of speech sounds like, whoever says it and however loud: mel-frequency cepstral coefficients (Davis and
 * Mermelstein, IEEE Transactions on Acoustics, Speech and Signal Processing 28, 1980) with the mean and variance of the speech
 * taken out, and their change over 80 ms.
 */
final class Cepstra
{
    /** Coefficients 1 to 12; the first, number 0, is loudness. */
    public const COEFFICIENTS = 12;

    /** Numbers a frame: coefficients and their change. */
    public const SIZE = 24;

    /** Frames on either side between which the change is taken, and how much it counts. */
    private const REACH = 2;

    private const WEIGHT = 0.6;

    /**
     * @param  string  $speech  as of VoiceActivity: the frames over which mean and variance are taken
     * @param  list<float>|null  $noise  energy a band that is added to every frame
     * @return Frames of COEFFICIENTS numbers, normalised
     */
    public static function of(Frames $spectrum, string $speech, ?array $noise = null): Frames
    {
        $cosines = self::cosines();
        $packed = '';
        $sum = $squares = array_fill(0, self::COEFFICIENTS, 0.0);
        $count = 0;
        $all = [];
        for ($frame = 0; $frame < $spectrum->count; $frame++) {
            $logs = $spectrum->at($frame);
            foreach ($logs as $band => $energy) {
                $logs[$band] = log($noise === null ? $energy : $energy + $noise[$band]);
            }
            $isSpeech = $speech[$frame] === '1';
            $count += $isSpeech ? 1 : 0;
            $coefficients = [];
            foreach ($cosines as $q => $row) {
                $value = 0.0;
                foreach ($row as $band => $cosine) {
                    $value += $cosine * $logs[$band];
                }
                $coefficients[] = $value;
                if ($isSpeech) {
                    $sum[$q] += $value;
                    $squares[$q] += $value * $value;
                }
            }
            $all[] = pack('g*', ...$coefficients);
        }
        $count = max(1, $count);
        foreach ($all as $i => $coefficients) {
            $frame = [];
            foreach (array_values((array) unpack('g*', $coefficients)) as $q => $value) {
                $mean = $sum[$q] / $count;
                $frame[] = ($value - $mean) / sqrt(max(1e-3, $squares[$q] / $count - $mean * $mean));
            }
            $all[$i] = '';
            $packed .= pack('g*', ...$frame);
        }

        return Frames::packed($packed, self::COEFFICIENTS);
    }

    /** The same with their change beside them: SIZE numbers a frame. */
    public static function withChange(Frames $cepstra): Frames
    {
        $packed = '';
        for ($i = 0; $i < $cepstra->count; $i++) {
            $here = $cepstra->at($i);
            $before = $cepstra->at(max(0, $i - self::REACH));
            $behind = $cepstra->at(min($cepstra->count - 1, $i + self::REACH));
            foreach ($behind as $q => $value) {
                $here[] = self::WEIGHT * ($value - $before[$q]);
            }
            $packed .= pack('g*', ...$here);
        }

        return Frames::packed($packed, self::SIZE);
    }

    /** @return list<list<float>> the rows of a discrete cosine transform */
    private static function cosines(): array
    {
        $rows = [];
        for ($q = 1; $q <= self::COEFFICIENTS; $q++) {
            $row = [];
            for ($band = 0; $band < MelBank::BANDS; $band++) {
                $row[] = cos((M_PI * $q * ($band + 0.5)) / MelBank::BANDS) * sqrt(2 / MelBank::BANDS);
            }
            $rows[] = $row;
        }

        return $rows;
    }
}
