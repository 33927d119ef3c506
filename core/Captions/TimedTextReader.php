<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Kernel\FormatError;
use OpenReel\Core\Kernel\Tick;

/** Texts with times as others write them: WebVTT (W3C) and SubRip, which differ in how they begin and in the point of seconds. */
final class TimedTextReader
{
    /** A day and more is no film. */
    private const MOST_HOURS = 24;

    private const TIMES = '/^\s*(?:(\d{1,2}):)?(\d{1,2}):(\d{2})[.,](\d{3})\s*-->\s*(?:(\d{1,2}):)?(\d{1,2}):(\d{2})[.,](\d{3})/';

    /**
     * @return list<TimedCue> what cannot be read is passed over
     *
     * @throws FormatError when there is no text with times in it
     */
    public static function parse(string $content): array
    {
        $content = str_replace(["\r\n", "\r"], "\n", (string) preg_replace('/^\xEF\xBB\xBF/', '', $content));
        if (! mb_check_encoding($content, 'UTF-8')) {
            $content = mb_convert_encoding($content, 'UTF-8', 'Windows-1252');
        }
        $cues = [];
        foreach (preg_split('/\n\s*\n/', $content) ?: [] as $block) {
            $rows = explode("\n", $block);
            // A number or a name may stand before the times.
            $at = preg_match(self::TIMES, $rows[0]) === 1 ? 0 : 1;
            if (! isset($rows[$at]) || preg_match(self::TIMES, $rows[$at], $m) !== 1) {
                continue;
            }
            $from = self::ticks($m[1], $m[2], $m[3], $m[4]);
            $until = self::ticks($m[5], $m[6], $m[7], $m[8]);
            $text = self::plain(implode("\n", array_slice($rows, $at + 1)));
            if ($until > $from && $until < self::MOST_HOURS * 3600 * Tick::RATE && $text !== '') {
                $cues[] = new TimedCue($text, Tick::of($from), Tick::of($until));
            }
        }

        return $cues === [] ? throw FormatError::noTimedText() : $cues;
    }

    private static function ticks(string $hours, string $minutes, string $seconds, string $thousandths): int
    {
        $all = (((int) $hours * 60 + (int) $minutes) * 60 + (int) $seconds) * 1000 + (int) $thousandths;

        return $all * intdiv(Tick::RATE, 1000);
    }

    /** Without what would make it bold, say who speaks, or place it. */
    private static function plain(string $text): string
    {
        $text = (string) preg_replace(['/<[^<>]*>/', '/\{\\\\[^{}]*\}/'], '', $text);

        return trim(html_entity_decode($text, ENT_QUOTES | ENT_HTML5, 'UTF-8'));
    }
}
