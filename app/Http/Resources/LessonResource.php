<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Lesson;
use App\Models\Section;
use App\People\Memberships;
use App\Queries\Lessons\LessonSnapshot;
use App\Queries\Script\LearnedPace;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakesBeside;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Coverage\NextStep;
use OpenReel\Core\Coverage\SectionStanding;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Script\Script;

/**
 * A lesson with its sections, and how far each is.
 *
 * @mixin Lesson
 */
final class LessonResource extends JsonResource
{
    /**
     * Nothing in it is left out on conditions, so it need not be searched for that: with thousands of takes it takes long.
     *
     * @return array<string, mixed>
     */
    public function resolve($request = null): array
    {
        return $this->toArray($request);
    }

    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        $snapshot = LessonSnapshot::of($this->resource);
        $sections = $snapshot->sections();
        $takes = TakesBeside::of(array_column($sections, 'id'));
        $coverage = LessonCoverage::from($snapshot, $takes->heard());
        $style = $snapshot->style();
        $pace = LearnedPace::of($this->resource);
        $told = array_map(fn (Section $s): array => SectionResource::whole(
            $s, $snapshot->lines($s->id), $takes, $style, $pace, $coverage,
        ), $sections);
        $next = NextStep::behindEach(array_map(self::standing(...), $told));

        return [
            'id' => $this->id,
            'title' => $this->title,
            'may' => array_column(Memberships::in($this->resource)->rights(), 'value'),
            'width' => $this->width,
            'height' => $this->height,
            'fps' => $this->fps,
            'updated_at' => $this->updated_at->toIso8601ZuluString(),
            'revision' => $this->revision,
            'course' => $this->course === null ? null : ['id' => $this->course->id, 'name' => $this->course->name],
            'count_down' => $style->countDown,
            'cleaning' => $style->cleaning->toArray(),
            'pens' => array_map(fn (Colour $c): string => $c->hex, $style->colours->pens()),
            'target_ms' => $this->target(),
            'pace' => ['factor' => $pace->factor, 'takes' => $pace->takes],
            'sections' => array_map(fn (array $s, NextStep $step): array => $s + ['next' => $step->toArray()], $told, $next),
        ];
    }

    /**
     * A section as `NextStep` asks for it.
     *
     * @param  array<string, mixed>  $section  as this tells it
     */
    public static function standing(array $section): SectionStanding
    {
        $progress = $section['progress'];

        return new SectionStanding($section['id'], $progress['fill'], $progress['waiting'], $section['lines'] !== []);
    }

    /** Only the head of the script names it, so only that is read. */
    private function target(): ?int
    {
        $head =
            preg_match('/^#{2}(?!#)/m', $this->script, $match, PREG_OFFSET_CAPTURE) === 1
                ? substr($this->script, 0, $match[0][1])
                : $this->script;

        return str_contains($head, '[') ? Script::parse($head)->target()?->milliseconds() : null;
    }
}
