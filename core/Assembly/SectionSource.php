<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/** A section as the assembly sees it: with the takes that are used, if there are any. */
final readonly class SectionSource
{
    /**
     * @param  PictureChoice  $opening  what is seen when the section begins
     * @param  list<TakeSource>  $takes  in the order in which they are heard; more than one where sections were merged
     * @param  list<PictureChange>  $changes  in order
     * @param  string|null  $spokenIn  id of the section in whose take its lines are, from which it was split off
     * @param  list<string>  $lines  ids of its lines, in order
     */
    public function __construct(
        public string $id,
        public string $heading,
        public PictureChoice $opening,
        public array $takes = [],
        public array $changes = [],
        public ?CardSource $card = null,
        public ?string $spokenIn = null,
        public array $lines = [],
    ) {
    }

    /** @param  int  $position  the section's, counted from 1 */
    public function title(int $position): string
    {
        return trim($this->heading) === '' ? "Section {$position}" : $this->heading;
    }

    /**
     * Its cues with those before lines that nobody has spoken yet moved to the next line that somebody has.
     *
     * @param  list<TakeSource>  $takes
     * @return list<PictureChange>
     */
    public function changesIn(array $takes): array
    {
        $spoken = array_merge([], ...array_map(fn (TakeSource $t): array => $t->lines, $takes));
        $next = [];
        $following = null;
        foreach (array_reverse($this->lines) as $line) {
            $following = isset($spoken[$line]) ? $line : $following;
            $next[$line] = $following;
        }

        return array_map(function (PictureChange $change) use ($spoken, $next): PictureChange {
            $line = isset($spoken[$change->line]) ? null : $next[$change->line] ?? null;

            return $line === null ? $change : new PictureChange($line, 0.0, $change->then);
        }, $this->changes);
    }
}
