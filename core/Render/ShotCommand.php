<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/** The encoder command for one shot's picture: H.264 without sound, joinable to any other piece of its size and rate. */
final class ShotCommand
{
    /** Part of every cache key: change it whenever the command changes what comes out. */
    public const VERSION = 7;

    /**
     * @param  string  $out  path of the MP4 file to write
     * @return list<string> arguments after the program's name
     */
    public static function arguments(ShotSpec $spec, string $out): array
    {
        $graph = new FilterGraph;
        $picture = LayerGraph::picture($graph, $spec);
        if ($spec->fade !== null) {
            $colour = "0x{$spec->picture->ground}";
            $faded = FilterChain::from($picture)->then('fade', t: $spec->fade, s: 0, n: $spec->frames, color: $colour);
            $picture = $graph->add($faded);
        }

        return [
            ...$graph->inputs(), '-filter_complex', $graph->text(), '-map', "[{$picture}]", '-frames:v', (string) $spec->frames,
            ...PictureEncoding::arguments($spec->quality), $out,
        ];
    }
}
