<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Emphasis;

/** Something laid over the stage from a place among a section's lines on. */
final readonly class EmphasisCueAt
{
    /**
     * @param  array{int, float}  $from  index of the line, and part of it already spoken, 0..1
     * @param  array{int, float}|null  $until  where it goes; null at the section's end
     * @param  int|null  $milliseconds  after which it goes before that
     * @param  string  $surface  of the stage it belongs to, see Stage
     */
    public function __construct(
        public Emphasis|Overlay $emphasis,
        public array $from,
        public ?array $until,
        public ?int $milliseconds,
        public string $surface,
    ) {
    }
}
