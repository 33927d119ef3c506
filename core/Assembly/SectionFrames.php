<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** On which frame of the film a place in a section's words is reached. */
final readonly class SectionFrames
{
    /** @var array<string, int> index by id */
    private array $order;

    /**
     * @param  list<Segment>  $segments  of the section, in order; none when it is not heard
     * @param  list<string>  $lines  ids of its lines, in order
     * @param  int  $end  the frame on which what follows it begins
     */
    public function __construct(private array $segments, array $lines, private int $end)
    {
        $this->order = array_flip($lines);
    }

    /**
     * @param  int  $line  by index; behind the last, the section's end is meant
     * @return int for a line that nobody speaks, where the next one begins that somebody does
     */
    public function at(int $line, float $within): int
    {
        if ($line >= count($this->order) && $line > 0) {
            return $this->end;
        }
        if ($this->segments !== [] && ($line <= 0 && $within <= 0.0 || $this->segments[0]->passage === null)) {
            return $this->segments[0]->startFrame;
        }
        foreach ($this->segments as $segment) {
            foreach ($segment->passage?->spoken() ?? [] as $id) {
                $index = $this->order[$id] ?? -1;
                $at = $index < $line ? null : $segment->passage?->take->at($id, $index === $line ? $within : 0.0);
                if ($at !== null && $segment->map !== null) {
                    return $segment->startFrame + max(0, min($segment->frames, $segment->map->frameOf($at)));
                }
            }
        }

        return $this->end;
    }
}
