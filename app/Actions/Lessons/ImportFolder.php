<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Script\SaveScript;
use App\Actions\Slides\AddSlide;
use App\Media\LessonFolder;
use App\Media\MediaStore;
use App\Models\Lesson;
use App\OperationRejected;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;

/** Makes a lesson from a folder that holds script, slides and takes (see LessonFolder). */
final class ImportFolder
{
    public function __construct(
        private readonly LessonFolder $folders,
        private readonly AddSlide $addSlide,
        private readonly SaveScript $save,
        private readonly ImportFolderTakes $takes,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @param  array{width: int, height: int, fps: int}  $frame
     * @param  bool  $whole  use takes from their first to their last moment, untrimmed
     * @param  (callable(string): void)|null  $say  told what is being done
     *
     * @throws OperationRejected naming the file that is wrong
     */
    public function __invoke(string $folder, array $frame, bool $whole = false, ?callable $say = null): Lesson
    {
        $say ??= fn (string $text) => null;
        $script = $this->folders->script($folder);
        $takes = $this->folders->takes($folder, count($script->sections));
        $slides = $this->folders->slides($folder, count($script->sections));

        $lesson = Lesson::query()->create(
            ['title' => mb_substr($script->title ?? basename((string) realpath($folder)), 0, 200)] + $frame,
        );
        try {
            ($this->save)($lesson, $script);
            foreach ($slides as $number => $file) {
                $say('Slide '.basename($file));
                $name = self::slideName($file, $script->sections[$number - 1]->heading);
                $slide = ($this->addSlide)($lesson, $file, basename($file), $name);
                $script = self::tied($script, $number - 1, $slide->name);
            }
            ($this->save)($lesson, $script);
            $sections = [];
            foreach ($lesson->sections()->get() as $index => $section) {
                $sections[$index + 1] = $section;
            }
            ($this->takes)($sections, $takes, $whole, $say);
        } catch (\Throwable $e) {
            $this->undo($lesson);
            throw $e;
        }

        return $lesson;
    }

    /** Leaves nothing of it behind. */
    public function undo(Lesson $lesson): void
    {
        $lesson->forceDelete();
        $this->media->deleteFolder("lessons/{$lesson->id}");
    }

    /** A file that is called by its number alone is named after what it shows. */
    private static function slideName(string $file, string $heading): string
    {
        $name = pathinfo($file, PATHINFO_FILENAME);

        return ctype_digit($name) && $heading !== '' ? $heading : $name;
    }

    /** A slide given to a section by its file name is the one it begins with, unless the script says otherwise. */
    private static function tied(Script $script, int $index, string $slide): Script
    {
        $section = $script->sections[$index];

        return $section->openingCues(CueKind::Slide) !== []
            ? $script
            : $script->withSection($index, $section->heading, $section->textWithOpening(CueKind::Slide, $slide));
    }
}
