<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Kernel\TimeMap;
use OpenReel\Core\Script\WordPlace;

/**
 * Where the cues of a section fall in what is heard of it. The one answer for all kinds of them:
 *
 * - A cue takes effect at the moment at which its place in the words is reached.
 * - Where its line is not spoken by anybody, it takes effect where the next line begins that somebody speaks.
 * - Where something was cut out of its line, it takes effect in the first part that has not come to its end by then.
 */
final readonly class CueTimeline
{
    /**
     * @param  array<string, int>  $index  of the section's lines, by id
     * @param  list<Passage>  $passages  that speak it, in order
     * @param  array<string, string|null>  $next  the first line that is spoken from each on, by id
     */
    private function __construct(private array $index, private array $passages, private array $next)
    {
    }

    /**
     * @param  list<string>  $lines  ids of the section's lines, in order
     * @param  list<Passage>  $passages  that speak it
     */
    public static function of(array $lines, array $passages): self
    {
        $spoken = [];
        foreach ($passages as $passage) {
            $spoken += array_flip($passage->spoken());
        }
        $next = [];
        $following = null;
        foreach (array_reverse($lines) as $line) {
            $following = isset($spoken[$line]) ? $line : $following;
            $next[$line] = $following;
        }

        return new self(array_flip($lines), $passages, $next);
    }

    /**
     * The place at which a cue takes effect.
     *
     * @return LinePlace as it was where nothing behind it is spoken
     *
     * @example [a: nobody, b: spoken] a at 0.5 becomes b at 0.0; b at 0.5 stays
     */
    public function at(string $line, float $within): LinePlace
    {
        $spoken = $this->next[$line] ?? null;

        return $spoken === null || $spoken === $line ? new LinePlace($line, $within) : new LinePlace($spoken, 0.0);
    }

    /**
     * The moment of a take at which a cue takes effect in one of the section's passages.
     *
     * @param  string|null  $line  null: behind the last
     * @return Tick|null null where that is in another passage, or nowhere
     */
    public function momentIn(Passage $passage, ?string $line, float $within): ?Tick
    {
        if ($line === null) {
            return $passage->span->until;
        }
        $place = $this->at($line, $within);
        $at = in_array($place->line, $passage->heard(), true) ? $passage->take->at($place->line, $place->within) : null;
        if ($at === null) {
            return null;
        }
        $isLast = true;
        foreach ($this->passages as $one) {
            if ($one->take->id !== $passage->take->id || ! in_array($place->line, $one->heard(), true)) {
                continue;
            }
            $isThis = $one->span->from->count === $passage->span->from->count;
            if ($at->isBefore($one->span->until)) {
                return $isThis ? Tick::later($at, $passage->span->from) : null;
            }
            $isLast = $isThis;
        }

        return $isLast ? $at : null;
    }

    /**
     * From which frame of a passage on something holds that begins with a cue.
     *
     * @return int|null 0 where it began before the passage; null where it begins behind it
     */
    public function frameIn(Passage $passage, TimeMap $map, WordPlace $place): ?int
    {
        $after = null;
        foreach ($passage->heard() as $n => $id) {
            $index = $this->index[$id] ?? null;
            if ($index === $place->line - 1) {
                $at = $passage->take->at($id, $place->within);

                return $at === null || ! $at->isBefore($passage->span->until) ? null : $map->frameOf($at);
            }
            if ($after === null && $index !== null && $index >= $place->line) {
                $at = $passage->take->at($id, 0.0);
                $after = $n === 0 || $at === null ? 0 : $map->frameOf($at);
            }
        }

        return $after;
    }

    /** Whether the place at which a cue takes effect comes by in a passage, and not before something was cut out of its line. */
    public function comesBy(Passage $passage, WordPlace $place): bool
    {
        $id = array_search($place->line - 1, $this->index, true);
        if ($id === false) {
            return false;
        }
        $at = $this->at((string) $id, $place->within);
        if (! in_array($at->line, $passage->heard(), true)) {
            return false;
        }

        return ! in_array($at->line, $passage->goesOn, true)
            || ! ($passage->take->at($at->line, $at->within)?->isBefore($passage->span->from) ?? true);
    }

    /**
     * The frame of the film on which a cue takes effect.
     *
     * @param  list<Segment>  $segments  of the section, in order; none when it is not heard
     * @param  WordPlace  $place  behind the last line, the section's end is meant
     * @param  int  $end  the frame on which what follows the section begins
     */
    public function filmFrame(array $segments, WordPlace $place, int $end): int
    {
        $line = $place->line - 1;
        if ($line >= count($this->index) && $line > 0) {
            return $end;
        }
        if ($segments !== [] && ($line <= 0 && $place->within <= 0.0 || $segments[0]->passage === null)) {
            return $segments[0]->startFrame;
        }
        foreach ($segments as $segment) {
            foreach ($segment->passage?->spoken() ?? [] as $id) {
                $index = $this->index[$id] ?? -1;
                $at = $index < $line ? null : $segment->passage?->take->at($id, $index === $line ? $place->within : 0.0);
                if ($at !== null && $segment->map !== null) {
                    return $segment->startFrame + max(0, min($segment->frames, $segment->map->frameOf($at)));
                }
            }
        }

        return $end;
    }
}
