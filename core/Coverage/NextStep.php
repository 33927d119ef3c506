<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

/** What there is to do next in a lesson: in which room, and as a verb. */
final readonly class NextStep
{
    /** @param  string|null  $section  id of the section that it is done in */
    private function __construct(public string $room, public ?string $section, public string $says)
    {
    }

    /**
     * The first section of which nothing is kept, by what it lacks; then the film.
     *
     * @param  list<SectionStanding>  $sections  all of the lesson, in order
     */
    public static function of(array $sections, FilmState $film): self
    {
        foreach ($sections as $index => $section) {
            if ($section->isOpen()) {
                return self::in($section, $index + 1);
            }
        }
        if (! in_array('filled', array_map(fn (SectionStanding $s): string => $s->fill, $sections), true)) {
            return new self('script', null, 'Write the script');
        }

        return match ($film) {
            FilmState::None => self::finish(),
            FilmState::OutOfDate => new self('handover', null, 'Export again'),
            FilmState::Making, FilmState::UpToDate => new self('handover', null, 'Hand over'),
        };
    }

    /**
     * Of each section, when it is done: the next one behind it of which nothing is kept, round to those before it; then Finish.
     *
     * @param  list<SectionStanding>  $sections  all of the lesson, in order
     * @return list<self>
     */
    public static function behindEach(array $sections): array
    {
        $steps = [];
        $open = null;
        // Twice round, from the end: the first time finds what those at the end go round to.
        foreach ([...array_reverse($sections, true), ...array_reverse($sections, true)] as $i => $section) {
            $at = count($sections) - 1 - $i % count($sections);
            $steps[$at] = $open === null || $open === $at ? self::finish() : self::in($sections[$open], $open + 1);
            $open = $section->isOpen() ? $at : $open;
        }
        ksort($steps);

        return array_values($steps);
    }

    /** @return array<string, string|null> `room`, `section`, `says` */
    public function toArray(): array
    {
        return ['room' => $this->room, 'section' => $this->section, 'says' => $this->says];
    }

    private static function in(SectionStanding $section, int $number): self
    {
        return $section->waiting === null
            ? new self('record', $section->id, "Record section {$number}")
            : new self('review', $section->id, "Review section {$number}");
    }

    private static function finish(): self
    {
        return new self('finish', null, 'Finish');
    }
}
