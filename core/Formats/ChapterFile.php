<?php

declare(strict_types=1);

namespace OpenReel\Core\Formats;

use OpenReel\Core\Assembly\Chapter;

/** Title and chapters as ffmpeg's metadata text ("FFMETADATA1" in the ffmpeg formats documentation). */
final class ChapterFile
{
    /** @param  list<Chapter>  $chapters */
    public static function write(string $title, array $chapters): string
    {
        $out = ";FFMETADATA1\ntitle=".self::escaped($title)."\n";
        foreach ($chapters as $chapter) {
            $out .= "[CHAPTER]\nTIMEBASE=1/48000\nSTART={$chapter->from->count}\nEND={$chapter->until->count}\n"
                .'title='.self::escaped($chapter->title)."\n";
        }

        return $out;
    }

    private static function escaped(string $text): string
    {
        $oneRow = (string) preg_replace('/\R/u', ' ', mb_scrub($text, 'UTF-8'));

        return (string) preg_replace('/[=;#\\\\]/', '\\\\$0', $oneRow);
    }
}
