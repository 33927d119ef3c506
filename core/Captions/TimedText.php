<?php

declare(strict_types=1);

namespace OpenReel\Core\Captions;

use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Kernel\Tick;

/** Texts with times as files: WebVTT (W3C) and SubRip. */
final class TimedText
{
    /** @param  list<Caption>  $captions */
    public static function webVtt(array $captions): string
    {
        $cues = array_map(
            fn (Caption $c): TimedCue => new TimedCue(implode("\n", array_map(self::escaped(...), $c->rows)), $c->from, $c->until),
            $captions,
        );

        return self::vtt($cues);
    }

    /** @param  list<Chapter>  $chapters */
    public static function chapters(array $chapters): string
    {
        return self::vtt(array_map(
            fn (Chapter $c): TimedCue => new TimedCue(self::escaped(PlainText::row($c->title)), $c->from, $c->until),
            $chapters,
        ));
    }

    /**
     * One row a chapter, as descriptions on film sites have them: minutes and seconds, and the title.
     *
     * @param  list<Chapter>  $chapters
     */
    public static function chapterList(array $chapters): string
    {
        return implode('', array_map(function (Chapter $c): string {
            $all = intdiv($c->from->milliseconds(), 1000);
            $clock = $all < 3600
                ? $c->from->clock()
                : sprintf('%d:%02d:%02d', intdiv($all, 3600), intdiv($all, 60) % 60, $all % 60);

            return "{$clock} ".PlainText::row($c->title)."\n";
        }, $chapters));
    }

    /** @param  list<Caption>  $captions */
    public static function subRip(array $captions): string
    {
        $out = '';
        foreach ($captions as $n => $caption) {
            $out .= sprintf(
                "%d\r\n%s --> %s\r\n%s\r\n\r\n",
                $n + 1,
                self::clock($caption->from, ','),
                self::clock($caption->until, ','),
                implode("\r\n", $caption->rows),
            );
        }

        return $out;
    }

    /** @param  list<TimedCue>  $cues  escaped */
    private static function vtt(array $cues): string
    {
        $out = "WEBVTT\n";
        foreach ($cues as $n => $cue) {
            $times = self::clock($cue->from, '.').' --> '.self::clock($cue->until, '.');
            $out .= sprintf("\n%d\n%s\n%s\n", $n + 1, $times, $cue->text);
        }

        return $out;
    }

    /** Marks of WebVTT are text in a text; an arrow would begin another cue. */
    private static function escaped(string $text): string
    {
        return strtr($text, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;']);
    }

    private static function clock(Tick $tick, string $point): string
    {
        $all = $tick->milliseconds();

        [$hours, $minutes, $seconds] = [intdiv($all, 3_600_000), intdiv($all, 60_000) % 60, intdiv($all, 1000) % 60];

        return sprintf('%02d:%02d:%02d%s%03d', $hours, $minutes, $seconds, $point, $all % 1000);
    }
}
