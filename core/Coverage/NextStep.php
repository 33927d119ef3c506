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
     * @param  list<array{id: string, fill: string, waiting: string|null, spoken: bool}>  $sections  all of the lesson, in order:
     *    `fill` and `waiting` as in SectionState; `spoken` is whether there are words to be said
     */
    public static function of(array $sections, FilmState $film): self
    {
        foreach ($sections as $index => $section) {
            if ($section['fill'] === 'filled' || ! $section['spoken']) {
                continue;
            }
            $number = $index + 1;

            return $section['waiting'] === null
                ? new self('record', $section['id'], "Record section {$number}")
                : new self('review', $section['id'], "Review section {$number}");
        }
        if (! in_array('filled', array_column($sections, 'fill'), true)) {
            return new self('script', null, 'Write the script');
        }

        return match ($film) {
            FilmState::None => new self('finish', null, 'Finish'),
            FilmState::OutOfDate => new self('handover', null, 'Export again'),
            FilmState::Making, FilmState::UpToDate => new self('handover', null, 'Hand over'),
        };
    }

    /** @return array{room: string, section: string|null, says: string} */
    public function toArray(): array
    {
        return ['room' => $this->room, 'section' => $this->section, 'says' => $this->says];
    }
}
