<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** What a speed cue says: how the silence before its word is gone through. */
final readonly class SpeedCue
{
    public const LEAST = 2;

    public const MOST = 16;

    /** What is said of a cue that no silence belongs to. */
    public const IDLE = 'There is no silence of 2 seconds or more before this word, so nothing runs faster here.';

    /** @param  int|null  $times  so many times as fast; null cuts the silence out */
    public function __construct(public ?int $times)
    {
    }

    /** @return self|null null when it names no speed; beyond what is possible the nearest that is */
    public static function parse(string $value): ?self
    {
        $said = strtolower(trim($value));
        if ($said === 'cut') {
            return new self(null);
        }

        return preg_match('/^(\d{1,4})\s*(?:x|×|times)?$/u', $said, $match) === 1
            ? new self(max(self::LEAST, min(self::MOST, (int) $match[1])))
            : null;
    }
}
