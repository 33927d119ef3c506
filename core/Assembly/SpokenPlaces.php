<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

/**
 * Where cues take effect that stand before or in a line that nobody speaks yet: where the next one begins that somebody does.
 * One answer for all kinds of them.
 */
final readonly class SpokenPlaces
{
    /**
     * @param  array<string, int>  $index  of the section's lines, by id
     * @param  array<string, string|null>  $next  the first line that is spoken from each on, by id
     */
    private function __construct(private array $index, private array $next)
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

        return new self(array_flip($lines), $next);
    }

    /**
     * @return array{string, float} line and part of it; as it was where nothing behind it is spoken
     *
     * @example [a: nobody, b: spoken] a at 0.5 becomes b at 0.0; b at 0.5 stays
     */
    public function at(string $line, float $within): array
    {
        $spoken = $this->next[$line] ?? null;

        return $spoken === null || $spoken === $line ? [$line, $within] : [$spoken, 0.0];
    }

    /**
     * The same by the line's index in the section.
     *
     * @param  array{int, float}  $place
     * @return array{int, float}
     */
    public function atIndex(array $place): array
    {
        $line = array_search($place[0], $this->index, true);
        if ($line === false) {
            return $place;
        }
        [$moved, $within] = $this->at((string) $line, $place[1]);

        return [$this->index[$moved], $within];
    }
}
