<?php

declare(strict_types=1);

namespace OpenReel\Core\Alignment\Internal;

use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Script\SpeakingTime;

/** The lines that are looked for in a stretch of speech, by their number in the script. */
final readonly class Window
{
    /** Lines before the one that is expected, and behind those that may be reached. */
    private const BACK = 8;

    private const AHEAD = 6;

    /** Speech may be so much faster than expected. */
    private const FASTER = 1.3;

    /**
     * @param  array<int, string>  $texts  as they are spoken, in order
     * @param  list<int>  $sections  those that begin a section
     * @param  int  $next  the one expected first
     */
    public function __construct(public array $texts, public array $sections, public int $next)
    {
    }

    /** @param  list<ExpectedLine>  $lines */
    public static function all(array $lines): self
    {
        return self::of($lines, array_keys($lines), 0);
    }

    /**
     * @param  list<ExpectedLine>  $lines
     * @param  int  $next  the one expected first
     * @param  int  $milliseconds  how long somebody speaks
     */
    public static function at(array $lines, int $next, int $milliseconds): self
    {
        $end = min(count($lines), self::end($lines, $next, $milliseconds) + self::AHEAD);

        return self::of($lines, range(max(0, $next - self::BACK), max(0, $end - 1)), $next);
    }

    /**
     * No lines but those that somebody says who begins with one and says all.
     *
     * @param  list<ExpectedLine>  $lines
     */
    public static function from(array $lines, int $next, int $milliseconds): self
    {
        return self::of($lines, range($next, max($next, self::end($lines, $next, $milliseconds) - 1)), $next);
    }

    /** @param  list<ExpectedLine>  $lines */
    private static function end(array $lines, int $next, int $milliseconds): int
    {
        $end = $next;
        for ($left = (int) ($milliseconds * self::FASTER); $left > 0 && $end < count($lines); $end++) {
            $left -= SpeakingTime::ofText($lines[$end]->text);
        }

        return $end;
    }

    /**
     * @param  list<ExpectedLine>  $lines
     * @param  list<int>  $numbers
     */
    private static function of(array $lines, array $numbers, int $next): self
    {
        $texts = [];
        foreach ($numbers as $number) {
            $texts[$number] = $lines[$number]->spoken;
        }

        return new self(
            $texts,
            array_values(array_filter($numbers, fn (int $n): bool => $lines[$n]->beginsSection)),
            $next,
        );
    }
}
