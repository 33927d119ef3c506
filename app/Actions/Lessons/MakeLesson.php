<?php

declare(strict_types=1);

namespace App\Actions\Lessons;

use App\Actions\Script\SaveScript;
use App\Models\Course;
use App\Models\Lesson;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SectionText;
use OpenReel\Core\Style\HouseStyle;

/** A new lesson: in a course or by itself, empty or with the structure of another. */
final class MakeLesson
{
    /** What of a section is structure; words and slides are the other lesson's own. */
    private const STRUCTURE = [CueKind::Card, CueKind::Layout, CueKind::Target];

    public function __construct(private readonly SaveScript $save)
    {
    }

    /** @param  array{width?: int, height?: int, fps?: int}  $frame  what differs from the course's */
    public function __invoke(string $title, array $frame = [], ?Course $course = null, ?Lesson $like = null): Lesson
    {
        $style = HouseStyle::stored($course->style ?? []);
        $frame +=
            $like === null
                ? ['width' => $style->frame->width, 'height' => $style->frame->height, 'fps' => $style->rate->fps]
                : ['width' => $like->width, 'height' => $like->height, 'fps' => $like->fps];

        return DB::transaction(function () use ($title, $frame, $course, $like): Lesson {
            $lesson = Lesson::query()->create(
                ['title' => $title, 'course_id' => $course?->id, 'style' => $like->style ?? []] + $frame,
            );
            $sections = $like === null ? [] : array_map(self::structure(...), Script::parse($like->script)->sections);

            return ($this->save)(
                $lesson,
                Script::compose($title, $sections === [] ? [new SectionText('')] : $sections),
            );
        });
    }

    private static function structure(ScriptSection $section): SectionText
    {
        $cues = array_filter($section->cues, fn (Cue $c): bool => in_array($c->kind, self::STRUCTURE, true));

        return new SectionText(
            $section->heading,
            implode("\n", array_map(fn (Cue $c): string => Cue::write($c->kind, $c->value), $cues)),
        );
    }
}
