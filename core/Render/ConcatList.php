<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\Tick;

/** A list of files to be joined by ffmpeg's concat demuxer. */
final class ConcatList
{
    /**
     * @param  list<array{path: string, length: Tick}>  $files  with a length each, so that rounding inside a file
     *                                                          never adds up over the lesson
     */
    public static function write(array $files): string
    {
        $out = "ffconcat version 1.0\n";
        foreach ($files as $file) {
            $out .= "file '".str_replace("'", "'\\''", $file['path'])."'\n"
                .sprintf("duration %.6F\n", $file['length']->seconds());
        }

        return $out;
    }
}
