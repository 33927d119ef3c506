<?php

declare(strict_types=1);

namespace OpenReel\Core\EditList;

use OpenReel\Core\Kernel\PlainText;

/** An edit list as CMX 3600 has it: one picture track and one of sound, cuts and dissolves, time code without dropped frames. */
final class Edl
{
    /** Films begin at one o'clock, so that there is room before them. */
    private const BEGINS_HOURS = 1;

    /** Events are numbered with three digits. */
    private const MOST = 999;

    /** @param  array<string, string>  $names  of files, by hash */
    public static function write(EditList $list, array $names): string
    {
        $reels = array_map(fn (int $n): string => sprintf('R%03d', $n + 1), array_flip($list->files()));
        $out = ['TITLE: '.mb_substr(PlainText::row($list->title), 0, 70), 'FCM: NON-DROP FRAME', ''];
        $number = 0;
        $before = null;
        foreach ($list->presenter as $clip) {
            array_push($out, ...self::event(++$number, $clip, $before, $reels, $names, $list->rate->fps));
            $before = $clip;
        }
        foreach ($list->voice as $clip) {
            $out[] = self::row(++$number, "{$reels[$clip->hash]}/A", $clip, $list->rate->fps);
            $out[] = '* FROM CLIP NAME: '.($names[$clip->hash] ?? $clip->says);
        }

        return implode("\r\n", $out)."\r\n";
    }

    /**
     * @param  array<string, string>  $reels
     * @param  array<string, string>  $names
     * @return list<string>
     */
    private static function event(int $number, EditEvent $clip, ?EditEvent $before, array $reels, array $names, int $fps): array
    {
        $rows = [];
        $name = $names[$clip->hash] ?? $clip->says;
        if ($clip->overlap > 0 && $before !== null) {
            // A dissolve is two rows: the clip that goes, of no length, and the one that comes, with the frames it takes.
            $gone = $before->trimmed($before->frames - $clip->overlap, $clip->overlap);
            $rows[] = self::row($number, "{$reels[$before->hash]}/V", $gone, $fps);
            $rows[] = self::row($number, "{$reels[$clip->hash]}/V", $clip, $fps, $clip->overlap);
            $rows[] = '* FROM CLIP NAME: '.($names[$before->hash] ?? $before->says);
            $rows[] = "* TO CLIP NAME: {$name}";
        } else {
            $rows[] = self::row($number, "{$reels[$clip->hash]}/V", $clip, $fps);
            $rows[] = "* FROM CLIP NAME: {$name}";
        }
        if ($clip->pace !== 1.0) {
            $in = self::clock($clip->in, $fps);
            $rows[] = sprintf('M2   %-8s     %06.1f                %s', $reels[$clip->hash], $clip->pace * $fps, $in);
        }

        return $rows;
    }

    /**
     * @param  string  $source  reel and channel, parted by a slash
     * @param  int  $dissolve  frames that it takes to come; 0 is a cut
     */
    private static function row(int $number, string $source, EditEvent $clip, int $fps, int $dissolve = 0): string
    {
        [$reel, $channel] = explode('/', $source);
        $hour = 3600 * self::BEGINS_HOURS * $fps;

        return sprintf(
            '%03d  %-8s %-5s %s    %s %s %s %s %s',
            min(self::MOST, $number),
            $reel,
            $channel,
            $dissolve === 0 ? 'C' : 'D',
            $dissolve === 0 ? '   ' : sprintf('%03d', $dissolve),
            self::clock($clip->in, $fps),
            self::clock($clip->in + $clip->lasts(), $fps),
            self::clock($hour + $clip->from, $fps),
            self::clock($hour + $clip->until(), $fps),
        );
    }

    private static function clock(int $frame, int $fps): string
    {
        $seconds = intdiv($frame, $fps);

        [$hours, $minutes] = [intdiv($seconds, 3600) % 24, intdiv($seconds, 60) % 60];

        return sprintf('%02d:%02d:%02d:%02d', $hours, $minutes, $seconds % 60, $frame % $fps);
    }
}
