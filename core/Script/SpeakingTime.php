<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

use OpenReel\Core\Kernel\Tick;

/**
 * How long a text takes to say, at the pace of someone explaining.
 *
 * 3.7 syllables a second while speaking (reading aloud, English is articulated at 4 to 5; explaining is slower),
 * plus pauses: with ordinary sentences about 140 words a minute in all, within the 130 to 160 usually measured for
 * teaching. Pauses that the script asks for last as long as it says, whatever the pace.
 */
final class SpeakingTime
{
    private const SYLLABLE_MS = 270;

    private const LINE_PAUSE_MS = 450;

    private const COMMA_PAUSE_MS = 180;

    private const PARAGRAPH_PAUSE_MS = 500;

    /** A new picture is looked at before it is talked about. */
    private const SLIDE_PAUSE_MS = 600;

    public static function of(ScriptSection $section, ?Pace $pace = null): Tick
    {
        return self::ofTimed($section->cues, array_map(SpokenLength::of(...), $section->lines), $pace);
    }

    /**
     * The same for lines whose own lengths are known already.
     *
     * @param  list<Cue>  $cues
     * @param  list<SpokenLength>  $lines
     */
    public static function ofTimed(array $cues, array $lines, ?Pace $pace = null): Tick
    {
        foreach ($cues as $cue) {
            $card = $cue->kind === CueKind::Card ? CardCue::parse($cue) : null;
            if ($card !== null) {
                return $card->length;
            }
        }

        return $lines === []
            ? Tick::zero()
            : Tick::ofMilliseconds((int) round(self::spoken($lines) * ($pace ?? Pace::assumed())->factor) + self::silence($cues));
    }

    /**
     * What depends on the pace.
     *
     * @param  list<SpokenLength>  $lines
     * @return int milliseconds at the assumed pace
     */
    public static function spoken(array $lines): int
    {
        $spoken = 0;
        foreach ($lines as $i => $line) {
            $isNext = $i > 0 && $line->paragraph !== $lines[$i - 1]->paragraph;
            $spoken += $line->milliseconds + ($isNext ? self::PARAGRAPH_PAUSE_MS : 0);
        }

        return $spoken;
    }

    /**
     * What the script asks for and no pace changes.
     *
     * @param  list<Cue>  $cues
     * @return int milliseconds
     */
    public static function silence(array $cues): int
    {
        return array_sum(
            array_map(
                fn (Cue $cue): int => match ($cue->kind) {
                    CueKind::Pause => $cue->length()?->milliseconds() ?? 0,
                    CueKind::Slide, CueKind::Screen, CueKind::Board => $cue->line > 1 || $cue->within > 0
                        ? self::SLIDE_PAUSE_MS
                        : 0,
                    default => 0,
                },
                $cues,
            ),
        );
    }

    /** Milliseconds for one line with the pause behind it, at the assumed pace. */
    public static function ofText(string $text): int
    {
        return Syllables::count(Spoken::of($text)) * self::SYLLABLE_MS +
            (int) preg_match_all('/[,;:–—](?=\s)/u', $text) * self::COMMA_PAUSE_MS +
            self::LINE_PAUSE_MS;
    }
}
