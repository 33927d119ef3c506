<?php

declare(strict_types=1);

namespace App\Queries\Publishing;

use App\Models\Course;
use App\Models\Lesson;
use App\Models\Publication;
use App\Queries\Film\SidecarFile;
use OpenReel\Core\Kernel\Tick;

/** The films of a course as its page on the course site lists them. */
final class CourseFilms
{
    /** @return list<array{
        title: string, path: string, picture: string|null, length: string, asks: bool,
    }> in the order of the course */
    public function of(Course $course): array
    {
        $films = [];
        foreach ($course->lessons()->get()->sortBy('id') as $lesson) {
            /** @var Lesson $lesson */
            $publication = Publication::of($lesson);
            if ($publication === null || ! $publication->isShown()) {
                continue;
            }
            $export = $publication->current()->export;
            $asks = $publication->password !== null;
            $hasPicture = ! $asks && in_array(SidecarFile::THUMBNAIL, $export->beside ?? [], true);
            $films[] = [
                'title' => $lesson->title,
                'path' => "/watch/{$publication->token}",
                'picture' => $hasPicture ? "/watch/{$publication->token}/".SidecarFile::THUMBNAIL : null,
                'length' => Tick::ofMilliseconds($export->milliseconds())->clock(),
                'asks' => $asks,
            ];
        }

        return $films;
    }
}
