<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

/**
 * Stands in a command for the files that a piece is made from, which lie elsewhere on every machine: each file has a token, by
 * its hash, that is replaced by its path just before the command runs.
 */
final class PieceFiles
{
    public static function of(string $hash): string
    {
        return "@file:{$hash}@";
    }

    /** @param  string  $text  a drawing or a subtitle script, which becomes a file */
    public static function ofText(string $text): string
    {
        return self::of(self::name($text));
    }

    /** The same inside a filter graph, where some letters mean something. */
    public static function inGraph(string $text): string
    {
        return '@graph/'.self::name($text).'@';
    }

    public static function name(string $text): string
    {
        return hash('sha256', $text);
    }

    /**
     * @param  list<string>  $arguments
     * @param  array<string, string>  $paths  by hash
     * @return list<string>
     */
    public static function placed(array $arguments, array $paths): array
    {
        $tokens = [];
        foreach ($paths as $hash => $path) {
            $tokens["@file:{$hash}@"] = $path;
            $tokens["@graph/{$hash}@"] = FilterChain::escaped($path);
        }

        return array_map(fn (string $a): string => strtr($a, $tokens), $arguments);
    }
}
