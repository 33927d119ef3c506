<?php

declare(strict_types=1);

namespace App\Actions\Archives;

use App\Actions\People\AssignOwner;
use App\Actions\Takes\SummariseTake;
use App\Events\LessonChanged;
use App\Events\TakesWaitForAlignment;
use App\Media\ArchiveReader;
use App\Media\ImportedMedia;
use App\Media\MediaStore;
use App\Models\Course;
use App\Models\Take;
use App\People\Memberships;
use App\Queries\Film\AssembleLesson;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use OpenReel\Core\Archive\ArchiveError;
use OpenReel\Core\Archive\ArchiveFile;
use OpenReel\Core\Archive\Manifest;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Right;
use OpenReel\Core\Script\Script;

/**
 * Makes lessons of an archive, with ids of their own. Either all of it is here afterwards or nothing: files are written
 * as drafts and looked at first, and the lessons are put together once before anybody sees them.
 */
final class UnpackArchive
{
    /** Takes looked at together. */
    private const BATCH = 200;

    public function __construct(
        private readonly LessonRecords $records,
        private readonly AssembleLesson $assemble,
        private readonly ImportedMedia $brought,
        private readonly MediaStore $media,
        private readonly AssignOwner $own,
        private readonly SummariseTake $summarise,
    ) {
    }

    /**
     * @param  callable(int, int): void  $report  told how many bytes of how many are there; may throw to give it up
     * @param  (callable(list<array{id: string, title: string, same: bool}>): void)|null  $settled  told what was made before
     *    anybody else sees it; may throw to give it up
     * @return list<array{id: string, title: string, same: bool}> the lessons, and whether each makes the same film as before
     *
     * @throws ArchiveError|\App\Media\DiskFull
     */
    public function __invoke(string $path, callable $report, ?callable $settled = null): array
    {
        $archive = ArchiveReader::open($path);
        $was = $archive->manifest;
        $ids = $was->ids();
        $new = array_map(fn (): string => strtolower((string) Str::ulid()), $ids);
        // What is sorted by id stays in its order.
        sort($new, SORT_STRING);
        $now = $was->renamed(array_combine($ids, $new));
        $this->media->mustHaveRoomFor($was->bytes(), 'the lesson');
        $drafts = [];
        $written = [];
        try {
            $done = 0;
            foreach ($was->files as $n => $file) {
                $drafts[$n] = $this->media->draft(pathinfo($file->name, PATHINFO_EXTENSION));
                $archive->extract($file, $drafts[$n], function (int $bytes) use (&$done, $was, $report): void {
                    $report($done += $bytes, $was->bytes());
                });
                $this->brought->mustBe($file, $drafts[$n]);
                self::rename($file, $drafts[$n], array_combine($ids, $new));
            }
            foreach ($now->files as $n => $file) {
                // What lessons share may be here already.
                if (! $this->media->exists($file->name)) {
                    $this->media->commit($drafts[$n], $file->name);
                    $written[] = $file->name;
                }
            }
            $made = DB::transaction(function () use ($now, $settled): array {
                $made = $this->store($now);
                $settled !== null && $settled($made);

                return $made;
            });
        } catch (\Throwable $e) {
            array_map($this->media->delete(...), $written);
            array_map(fn (\stdClass $l) => $this->media->deleteFolder("lessons/{$l->id}"), $now->lessons);
            throw $e;
        } finally {
            array_map(fn (string $draft): bool => @unlink($draft), $drafts);
        }
        foreach ($made as $lesson) {
            LessonChanged::dispatch($lesson['id']);
        }
        if (config('reel.hear')) {
            TakesWaitForAlignment::dispatch();
        }

        return $made;
    }

    /** @return list<array{id: string, title: string, same: bool}> */
    private function store(Manifest $manifest): array
    {
        $made = [];
        try {
            $course = $this->courseFor($manifest);
            foreach ($manifest->lessons as $record) {
                if (count(Script::parse($record->script)->sections) > Script::MOST_SECTIONS) {
                    throw ArchiveError::tooMuch('sections');
                }
                $lesson = $this->records->storeLesson($record, $course?->id);
                ($this->own)($lesson, AuditAction::BroughtIn);
                // Whatever cannot be read again is found here, and not in the middle of somebody's work.
                foreach (array_chunk(array_column($record->takes, 'id'), self::BATCH) as $ids) {
                    Take::query()->whereKey($ids)->with('tracks')->get()->each($this->mustBeRead(...));
                }
                $made[] = [
                    'id' => $lesson->id,
                    'title' => $lesson->title,
                    'same' => ($this->assemble)($lesson)->hash() === $record->plan,
                ];
            }
        } catch (\TypeError|\ValueError|\ErrorException|\DomainException|\JsonException|\PDOException $e) {
            Log::warning('An archive could not be read', ['detail' => $e->getMessage()]);
            throw ArchiveError::unreadable();
        }

        return $made;
    }

    /** What it comes to is computed here; of a take all of which was cut out nothing is seen. */
    private function mustBeRead(Take $take): void
    {
        ($this->summarise)($take);
    }

    /** A single lesson joins a course that looks just as its own did; a course that is brought in is one of its own. */
    private function courseFor(Manifest $manifest): ?Course
    {
        if ($manifest->course === null) {
            return null;
        }
        if (count($manifest->lessons) === 1) {
            $looks = self::looks($manifest->course);
            foreach (Course::query()->where('name', $manifest->course->name)->get()->sortBy('id') as $course) {
                if (Memberships::may(Right::Write, $course) && self::looks($this->records->course($course)) === $looks) {
                    return $course;
                }
            }
        }

        $made = $this->records->storeCourse($manifest->course);
        ($this->own)($made, AuditAction::BroughtIn);

        return $made;
    }

    /** @return list<mixed> a course's house style and music, whatever their ids are */
    private static function looks(\stdClass $course): array
    {
        $style = (array) $course->style;
        $logos = array_column($course->logos, 'hash', 'id');
        $style['logo'] = $logos[$style['logo'] ?? ''] ?? null;
        ksort($style);
        $music = array_map(fn (\stdClass $m): array => [$m->name, $m->hash, $m->deleted_at !== null], $course->music);
        sort($music);

        return [array_filter($style, fn (mixed $v): bool => $v !== null), $music];
    }

    /** @param  array<string, string>  $to */
    private static function rename(ArchiveFile $file, string $draft, array $to): void
    {
        if ($file->namesIds()) {
            file_put_contents($draft, strtr((string) file_get_contents($draft), $to));
        }
    }
}
