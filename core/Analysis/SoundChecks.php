<?php

declare(strict_types=1);

namespace OpenReel\Core\Analysis;

use OpenReel\Core\Sound\Levels;
use OpenReel\Core\Take\SoundFlag;

/** What is to be looked at in the sound of a take. */
final class SoundChecks
{
    /** Louder windows than this exist in any take that heard a voice. */
    private const SILENT_DB = -60.0;

    /** A voice this quiet needs so much gain that the room's noise comes up with it. */
    private const QUIET_DB = -36.0;

    /** One or two touches of full scale cannot be heard. */
    private const CLIPS = 3;

    /**
     * The room lies at least so far under the voice, in dB: where the set-up begins to say that it is heard (30) it may still be
     * kept, where it calls it loud (20) it is not.
     */
    private const UNDER_DB = 25.0;

    /** Hum further under the voice than this is not noticed, in dB. */
    private const HUM_DB = 45.0;

    /**
     * Of a voice so much lies above 5.5 kHz, in dB to the whole: -20 to -40 of voices measured, below -60 behind a telephone line
     * (ITU-T G.712 ends at 3.4 kHz), which only leaves what the filter lets through.
     */
    private const HIGH_DB = -55.0;

    /** @return list<SoundFlag> the worst first; empty when the sound is good */
    public static function of(Levels $levels): array
    {
        $voice = $levels->percentile(0.95);
        $flags = [];
        if ($voice < self::SILENT_DB || SpeechFinder::find($levels) === null) {
            $flags[] = SoundFlag::Silent;
        } elseif ($voice < self::QUIET_DB) {
            $flags[] = SoundFlag::VeryQuiet;
        }
        if ($levels->clips >= self::CLIPS) {
            $flags[] = SoundFlag::Clipped;
        }
        $room = RoomNoise::of($levels);
        // That the noise comes up with a very quiet voice is said already.
        if ($room !== null && $voice >= self::QUIET_DB && $room->under() < self::UNDER_DB) {
            $flags[] = SoundFlag::Noisy;
        }

        return $flags;
    }

    /**
     * What takes longer to hear.
     *
     * @param  Levels  $high  of what lies above 5.5 kHz
     * @return list<SoundFlag>
     */
    public static function further(Levels $levels, Levels $high, ?MainsHum $hum): array
    {
        $room = RoomNoise::of($levels);
        if ($room === null) {
            return [];
        }

        return array_values(array_filter([
            $hum !== null && $hum->level > $room->voice - self::HUM_DB ? SoundFlag::Hum : null,
            self::part($levels, $high, $room) < self::HIGH_DB ? SoundFlag::Telephone : null,
        ]));
    }

    /** dB of a part of the sound to the whole, while somebody speaks. */
    private static function part(Levels $whole, Levels $part, RoomNoise $room): float
    {
        $sums = [0.0, 0.0];
        foreach ($whole->rms as $i => $rms) {
            if ($room->isVoice($rms) && isset($part->rms[$i])) {
                $sums[0] += 10 ** ($rms / 10);
                $sums[1] += 10 ** ($part->rms[$i] / 10);
            }
        }

        return $sums[0] <= 0.0 ? 0.0 : 10 * log10($sums[1] / $sums[0]);
    }
}
