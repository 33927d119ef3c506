<?php

declare(strict_types=1);

namespace App\Actions\Slides;

use App\Actions\Script\EditScript;
use App\Media\ImportedFile;
use App\Media\UnreadableFile;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\OperationRejected;
use OpenReel\Core\Script\CueKind;

/** Gives several pictures to sections in order: from the section named, or else to those without a slide. */
final class FillSlides
{
    public function __construct(
        private readonly AddSlide $addSlide,
        private readonly EditScript $edit,
        private readonly LinkSlides $link,
    ) {
    }

    /**
     * @param  list<ImportedFile>  $files  put in the order of their names, numbers by value
     * @param  string|null  $sectionId  the section that gets the first picture
     * @param  bool  $fill  false only adds them to the deck
     * @return array{added: int, names: list<string>, refused: list<string>} a sentence for each picture that could not be used
     */
    public function __invoke(Lesson $lesson, array $files, ?string $sectionId, bool $fill = true): array
    {
        usort($files, fn (ImportedFile $a, ImportedFile $b): int => strnatcasecmp($a->name, $b->name));
        $places = $this->places($lesson, $sectionId);
        $added = 0;
        $names = [];
        $refused = [];
        foreach ($files as $file) {
            try {
                $slide = $this->slide($lesson, $file);
            } catch (OperationRejected|UnreadableFile $refusal) {
                $refused[] = $refusal->getMessage();

                continue;
            }
            $added++;
            $names[] = $slide->name;
            if ($fill) {
                $this->place($lesson, $slide, array_shift($places));
            }
        }

        if (! $fill) {
            ($this->link)($lesson);
        }

        return ['added' => $added, 'names' => $names, 'refused' => $refused];
    }

    /**
     * Ties a slide that has been added to a section, as the files above are.
     *
     * @param  string|null  $sectionId  null for the first without a slide
     */
    public function one(Lesson $lesson, Slide $slide, ?string $sectionId, bool $fill): void
    {
        $fill ? $this->place($lesson, $slide, $this->places($lesson, $sectionId)[0] ?? null) : ($this->link)($lesson);
    }

    /** @param  Section|null  $section  null for one of its own */
    private function place(Lesson $lesson, Slide $slide, ?Section $section): void
    {
        $section ??= Section::query()->findOrFail($this->edit->add($lesson, null));
        $this->edit->opening($section, CueKind::Slide, $slide->name);
    }

    private function slide(Lesson $lesson, ImportedFile $file): Slide
    {
        if ($file->problem !== null) {
            throw OperationRejected::badInput($file->problem);
        }

        return ($this->addSlide)($lesson, $file->path, $file->name);
    }

    /** @return list<Section> */
    private function places(Lesson $lesson, ?string $sectionId): array
    {
        $sections = $lesson->sections()->get();
        $start = $sectionId === null ? false : $sections->search(fn (Section $s): bool => $s->id === $sectionId);

        return array_values(($start === false ? $sections->whereNull('slide_id') : $sections->slice((int) $start))->all());
    }
}
