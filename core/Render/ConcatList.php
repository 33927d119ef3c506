<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** A list of files to be joined by ffmpeg's concat demuxer. */
final class ConcatList
{
    /** @param  list<ConcatFile>  $files  in order */
    public static function write(array $files): string
    {
        $out = "ffconcat version 1.0\n";
        foreach ($files as $file) {
            $out .= "file '".str_replace("'", "'\\''", $file->path)."'\n"
                .sprintf("duration %.6F\n", $file->length->seconds());
        }

        return $out;
    }
}
