<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** A lesson's title as the name of a file, safe on every common file system. */
final class FileName
{
    private const LONGEST = 80;

    /** @param  string  $extension  without the full stop */
    public static function of(string $title, string $extension): string
    {
        $name = preg_replace('/[\p{C}\/\\\\:*?"<>|]+/u', ' ', mb_scrub($title, 'UTF-8')) ?? '';
        $name = trim((string) preg_replace('/\s+/u', ' ', $name), ' .');
        $name = rtrim(mb_substr($name, 0, self::LONGEST), ' .');

        return ($name === '' ? 'Lesson' : $name).'.'.$extension;
    }
}
