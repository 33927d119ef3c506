<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Take\TakeAnnotation;

/** What stands on the pages of the board at a place of the film, because it was written earlier in it and not wiped off. */
final readonly class BoardPages
{
    /** @param  array<string, list<BoardStroke>>  $ink  by surface */
    private function __construct(private array $ink)
    {
    }

    public static function blank(): self
    {
        return new self([]);
    }

    /**
     * @param  string  $surface  see Stage::surface
     * @param  string|null  $but  id of a take that shows by itself what was written in it
     * @return list<Stroke> in the order written
     */
    public function on(string $surface, ?string $but = null): array
    {
        return array_map(
            fn (BoardStroke $one): Stroke => $one->stroke,
            array_values(array_filter($this->ink[$surface] ?? [], fn (BoardStroke $one): bool => $one->take !== $but)),
        );
    }

    /** The pages as a passage leaves them. */
    public function after(Passage $passage): self
    {
        $ink = $this->ink;
        foreach ($passage->take->content->erasures as $wipe) {
            // Also what was wiped before the used part: the presenter saw a clean page.
            if ($wipe->at->isBefore($passage->span->until)) {
                unset($ink[$wipe->on]);
            }
        }
        foreach ($passage->take->content->annotations as $mark) {
            if ($mark->drawing instanceof Stroke && str_starts_with($mark->on, 'board:') && self::stays($mark, $passage)) {
                $ink[$mark->on][] = new BoardStroke($passage->take->id, $mark->drawing);
            }
        }

        return new self($ink);
    }

    /** Whether it was written in the passage, and stands when that is over. */
    private static function stays(TakeAnnotation $mark, Passage $passage): bool
    {
        $from = $mark->seen->from;

        return ! $from->isBefore($passage->span->from) &&
            $from->isBefore($passage->span->until) &&
            ! $mark->seen->until->isBefore($passage->span->until);
    }
}
