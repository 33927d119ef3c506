<?php

declare(strict_types=1);

namespace OpenReel\Core\Listening;

/** Something to look at in the sound of a take. */
enum SoundFlag: string
{
    case Silent = 'silent';
    case VeryQuiet = 'very-quiet';
    case Clipped = 'clipped';

    /** Louder windows than this exist in any take that heard a voice. */
    private const SILENT_DB = -60.0;

    /** A voice this quiet needs so much gain that the room's noise comes up with it. */
    private const QUIET_DB = -36.0;

    /** One or two touches of full scale cannot be heard. */
    private const CLIPS = 3;

    /** @return list<self> the worst first; empty when the sound is good */
    public static function of(Levels $levels): array
    {
        $voice = $levels->percentile(0.95);
        $flags = [];
        if ($voice < self::SILENT_DB || SpeechFinder::find($levels) === null) {
            $flags[] = self::Silent;
        } elseif ($voice < self::QUIET_DB) {
            $flags[] = self::VeryQuiet;
        }
        if ($levels->clips >= self::CLIPS) {
            $flags[] = self::Clipped;
        }

        return $flags;
    }
}
