<?php

declare(strict_types=1);

namespace OpenReel\Core\Readiness;

/** Something still to be looked at before recording. Nothing of it blocks. */
final readonly class ReadinessIssue
{
    /**
     * @param  string  $kind  for grouping: `picture`, `words`, `long`, `numbers`, `cue`, `deck`, `card`, `target`
     * @param  string  $says  a sentence
     * @param  int|null  $at  byte in the script where it is; null for the lesson as a whole
     * @param  int|null  $section  index, from 0
     */
    public function __construct(public string $kind, public string $says, public ?int $at = null, public ?int $section = null)
    {
    }
}
