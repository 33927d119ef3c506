<?php

declare(strict_types=1);

namespace App\Actions\Archives;

use App\Media\Archive;
use App\Media\MediaStore;
use App\Models\Course;
use App\Models\Lesson;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\Manifest;
use OpenReel\Core\Archive\OwnFiles;

/** A lesson, or a course with all its lessons, as one file that another Open Reel can bring in. */
final class PackLessons
{
    public function __construct(
        private readonly LessonRecords $records,
        private readonly AssembleLesson $assemble,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * @return string path of a draft, for whoever asked to send and remove
     *
     * @throws \App\Media\DiskFull
     * @throws OperationRejected when a file of it is not there
     */
    public function lesson(Lesson $lesson): string
    {
        // A deleted course leaves its lessons looking as they did.
        $course = $lesson->course_id === null ? null : $lesson->course()->withTrashed()->first();

        return $this->pack($course, [$lesson]);
    }

    /**
     * @return string path of a draft
     *
     * @throws \App\Media\DiskFull
     * @throws OperationRejected when a file of it is not there
     */
    public function course(Course $course): string
    {
        /** @var list<Lesson> $lessons */
        $lessons = $course->lessons()->get()->sortBy('id')->values()->all();

        return $this->pack($course, $lessons);
    }

    /** @param  list<Lesson>  $lessons */
    private function pack(?Course $course, array $lessons): string
    {
        $records = $files = [];
        foreach ($lessons as $lesson) {
            $record = $this->records->lesson($lesson);
            $this->leaveOutLostDecks($record);
            $record->plan = ($this->assemble)($lesson)->hash();
            $records[] = $record;
            $files += $this->filesOf($record);
        }
        $shared = $course === null ? null : $this->records->course($course);
        foreach ([...($shared->logos ?? []), ...($shared->music ?? [])] as $row) {
            $files += self::filesOfRow($row);
        }
        $listed = [];
        foreach ($files as $name => $hash) {
            if (! $this->media->exists($name)) {
                Log::error("The archive lacks {$name}");
                throw OperationRejected::conflict(
                    'A recording or a slide of it is missing on the server, so it cannot be taken out whole. Ask whoever '
                        .'runs it.',
                );
            }
            $listed[] = new ArchiveFile($name, $this->media->bytes($name), $hash ?? $this->media->hash($name));
        }
        $manifest = new Manifest($shared, $records, $listed);
        $this->media->mustHaveRoomFor($manifest->bytes(), 'the archive');
        $archive = new Archive($this->media->draft('zip'));
        $archive->addText(Manifest::NAME, $manifest->json(now()->toIso8601ZuluString()));
        foreach ($lessons as $lesson) {
            // For people who look into it; what counts is in the manifest.
            $archive->addText("lessons/{$lesson->id}/script.md", $lesson->script);
        }
        foreach ($listed as $file) {
            $archive->addFile($this->media->path($file->name), $file->name);
        }

        return $archive->close();
    }

    /** Without the file that its slides were drawn from a lesson is as good: they are not drawn again, that is all. */
    private function leaveOutLostDecks(\stdClass $lesson): void
    {
        $lesson->decks = array_values(array_filter($lesson->decks, fn (\stdClass $d): bool => $this->media->exists($d->path)));
        $known = array_column($lesson->decks, 'id');
        foreach ($lesson->slides as $slide) {
            $slide->deck_id = in_array($slide->deck_id, $known, true) ? $slide->deck_id : null;
        }
    }

    /** @return array<string, string|null> SHA-256 by name on the media disk; null where it is not known yet */
    private function filesOf(\stdClass $lesson): array
    {
        $files = [];
        foreach ([...$lesson->slides, ...$lesson->music] as $row) {
            $files += self::filesOfRow($row);
        }
        foreach ($lesson->slides as $slide) {
            foreach ([...$slide->steps, ...array_filter([$slide->film])] as $more) {
                $files += self::filesOfRow($more);
            }
        }
        foreach ($lesson->decks as $deck) {
            $files[$deck->path] = null;
        }
        foreach ($lesson->takes as $take) {
            foreach ($take->tracks as $track) {
                $files[$track->file_path] = $track->hash;
            }
            foreach (OwnFiles::OF_TAKE as $name) {
                $path = "lessons/{$lesson->id}/takes/{$take->id}/{$name}";
                if ($this->media->exists($path)) {
                    $files[$path] = null;
                }
            }
        }

        return $files;
    }

    /** @return array<string, string> */
    private static function filesOfRow(\stdClass $row): array
    {
        return [$row->path => $row->hash] + (isset($row->loop_path) ? [$row->loop_path => $row->loop_hash] : []);
    }
}
