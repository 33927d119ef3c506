<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Assembly\Chapter;
use OpenReel\Core\Kernel\PlainText;

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

    /**
     * Arguments for titles that the text cannot hold: ffmpeg takes a row that ends in a backslash to go on in the next one,
     * also when the backslash is escaped.
     *
     * @param  list<Chapter>  $chapters
     * @return list<string>
     */
    public static function arguments(string $title, array $chapters): array
    {
        $arguments = [];
        foreach (['-metadata' => $title] + self::byArgument($chapters) as $name => $text) {
            if (str_ends_with(rtrim(PlainText::row($text)), '\\')) {
                array_push($arguments, $name, 'title='.rtrim(PlainText::row($text)));
            }
        }

        return $arguments;
    }

    /**
     * @param  list<Chapter>  $chapters
     * @return array<string, string>
     */
    private static function byArgument(array $chapters): array
    {
        $titles = [];
        foreach ($chapters as $i => $chapter) {
            $titles["-metadata:c:{$i}"] = $chapter->title;
        }

        return $titles;
    }

    private static function escaped(string $text): string
    {
        return (string) preg_replace('/[=;#\\\\]/', '\\\\$0', rtrim(PlainText::row($text), ' \\'));
    }
}
