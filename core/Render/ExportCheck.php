<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Sound\LoudnessReport;

/** Compares a finished file with what was meant. */
final class ExportCheck
{
    /** Sections are each within 0.5 LU of the target, so the whole is too. */
    private const LOUDNESS_TOLERANCE = 0.5;

    /** Sound may end up to one AAC frame (1024 samples) later than the picture. */
    private const SOUND_SLACK_SECONDS = 0.05;

    /**
     * @param  ExportFacts  $facts  what was found in the file
     * @param  int  $captions  how many there are
     * @return list<ExportFinding> one a check, in a fixed order
     */
    public static function findings(
        Assembly $assembly,
        ExportFacts $facts,
        LoudnessReport $sound,
        float $targetLufs,
        float $peakLimit,
        int $captions = 0,
        FilmFormat $format = FilmFormat::Mp4,
    ): array {
        [$picture, $voice] = $format->codecs();
        $frames = $assembly->frames();
        $seconds = $assembly->length()->seconds();
        $chapters = count($assembly->chapters());
        $size = "{$assembly->frame->width} x {$assembly->frame->height}";
        $found = "{$facts->width} x {$facts->height}";

        return [
            self::finding(
                'frames',
                $facts->frames === $frames,
                "All {$frames} frames are there.",
                "The file has {$facts->frames} frames instead of {$frames}.",
            ),
            self::finding(
                'duration',
                abs($facts->soundSeconds - $seconds) <= self::SOUND_SLACK_SECONDS,
                'Picture and sound are equally long.',
                sprintf('The sound lasts %.2f s, the picture %.2f s.', $facts->soundSeconds, $seconds),
            ),
            self::finding(
                'streams',
                $facts->videoCodec === $picture && $facts->audioCodec === $voice && $found === $size,
                sprintf($format->description(), $size),
                "Expected {$picture} of {$size} and {$voice}, found {$facts->videoCodec} of {$found} and {$facts->audioCodec}.",
            ),
            self::finding(
                'chapters',
                $facts->chapters === $chapters,
                $chapters === 1 ? 'One chapter.' : "{$chapters} chapters.",
                "The file has {$facts->chapters} chapters instead of {$chapters}.",
            ),
            ...$captions === 0 ? [] : [self::finding(
                'captions',
                $facts->hasCaptions,
                "Captions are in it as text ({$captions}), to be switched on.",
                'The captions are missing in the file.',
            )],
            self::loudness($sound, $targetLufs, $peakLimit),
        ];
    }

    private static function loudness(LoudnessReport $sound, float $target, float $peakLimit): ExportFinding
    {
        if ($sound->lufs === null) {
            return self::finding('loudness', false, '', 'Nothing can be heard in this file.');
        }
        $says = sprintf('Loudness %.1f LUFS, highest peak %.1f dBTP.', $sound->lufs, $sound->peak ?? -99.0);
        $ok = abs($sound->lufs - $target) <= self::LOUDNESS_TOLERANCE && ($sound->peak ?? -99.0) <= $peakLimit;

        return self::finding(
            'loudness',
            $ok,
            $says,
            $says.sprintf(' Meant were %.1f LUFS and at most %.1f dBTP.', $target, $peakLimit),
        );
    }

    private static function finding(string $name, bool $ok, string $good, string $bad): ExportFinding
    {
        return new ExportFinding($name, $ok, $ok ? $good : $bad);
    }
}
