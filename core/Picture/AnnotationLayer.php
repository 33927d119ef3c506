<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Outline;

/** Things drawn over what lies below, each for some frames. */
final readonly class AnnotationLayer implements Source
{
    /** @param  non-empty-list<Annotation>  $marks */
    public function __construct(public array $marks)
    {
    }

    /** Whether all of them look the same from one frame of their shot to another. */
    public function stand(int $from, int $until): bool
    {
        foreach ($this->marks as $mark) {
            if ($mark->from > $from || $mark->until < $until || ! ($mark->figure instanceof Outline)) {
                return false;
            }
        }

        return true;
    }

    public function key(): array
    {
        return ['marks' => array_map(fn (Annotation $m): array => $m->toArray(), $this->marks)];
    }

    public function files(): array
    {
        return [];
    }
}
