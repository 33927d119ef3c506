<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\FileName;

/** What a film's file is called: a pattern of the house style with names in braces. */
final class FilmName
{
    public const USUAL = '{title}';

    /** What may stand in braces, and what it means. */
    public const PARTS = [
        'course' => 'the course’s name',
        'number' => 'the lesson’s number in its course',
        'title' => 'the lesson’s title',
        'date' => 'today’s date',
        'version' => 'the version it would be on the course site',
    ];

    /**
     * @param  array<string, string|int>  $values  by a key of PARTS
     * @param  list<string>  $more  what tells it from the lesson's other films, put behind it
     */
    public static function of(string $pattern, array $values, array $more, string $extension): string
    {
        $name = (string) preg_replace_callback(
            '/\{(\w+)\}/',
            fn (array $m): string => isset(self::PARTS[$m[1]]) ? (string) ($values[$m[1]] ?? '') : $m[0],
            $pattern,
        );
        // What is empty leaves no separators behind.
        $name = trim((string) preg_replace(['/\s+/u', '/([-_.,]\s*)+(?=[-_.,]|$)/u'], [' ', ''], $name), " \t-_.,");
        $name = $name === '' ? (string) ($values['title'] ?? '') : $name;

        return FileName::of(implode(', ', [$name, ...$more]), $extension);
    }

    /** @return list<string> names in braces that mean nothing */
    public static function unknown(string $pattern): array
    {
        preg_match_all('/\{([^{}]*)\}/', $pattern, $found);

        return array_values(array_diff($found[1], array_keys(self::PARTS)));
    }
}
