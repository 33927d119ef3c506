<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\Track;
use App\People\Memberships;
use App\Queries\Lessons\LessonSnapshot;
use App\Queries\Script\LearnedPace;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakeRows;
use App\Queries\Takes\TakeViews;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\NextStep;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\TakeView;

/**
 * A lesson with everything in it.
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
        [$takes, $known, $views] = self::takes(array_column($sections, 'id'));
        $coverage = LessonCoverage::from($snapshot, $known);
        $style = $snapshot->style();
        $pace = LearnedPace::of($this->resource);
        $told = array_map(fn (Section $s): array => SectionResource::whole(
            $s, $snapshot->lines($s->id), $takes[$s->id] ?? [], $views, $style, $pace, $coverage,
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
     * @return array{id: string, fill: string, waiting: string|null, spoken: bool}
     */
    public static function standing(array $section): array
    {
        return [
            'id' => $section['id'],
            'fill' => $section['progress']['fill'],
            'waiting' => $section['progress']['waiting'],
            'spoken' => $section['lines'] !== [],
        ];
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

    /**
     * @param  list<string>  $sections
     * @return array{array<string, list<array<string, mixed>>>, list<TakeView>, array<string, list<TakeView>>} takes by section, in
     *    order of their numbers; what coverage wants to know of them; and how all of them stand
     */
    private static function takes(array $sections): array
    {
        /** @var array<string, list<Track>> $tracks */
        $tracks = Track::query()
            ->whereIn(
                'take_id',
                DB::table('takes')->whereIn('section_id', $sections)->where('state', TakeState::Recording)->select('id'),
            )
            ->get()
            ->groupBy('take_id')
            ->map(fn (Collection $of): array => array_values($of->all()))
            ->all();
        $rows = TakeRows::of($sections);
        $hasKept = array_flip(array_column(array_filter($rows, fn (array $r): bool => $r['verdict'] === 'kept'), 'section_id'));
        $tell = self::telling($rows, $hasKept);
        $words = TakeRows::words(array_keys($tell));
        $takes = $known = $views = [];
        foreach ($rows as $row) {
            $said = $words[$row['id']] ?? null;
            $told = TakeResource::row($row + ($said ?? []), $tracks[$row['id']] ?? [], $said !== null);
            $takes[$row['section_id']][] = $told;
            $view = TakeViews::ofSummary(['lines' => $said['lines'] ?? '[]'] + $row + ($said ?? []), $told['cut_off']);
            $views[$row['section_id']][] = $view;
            // Where something is kept, what others say is asked by nobody.
            if ($said !== null && ($row['verdict'] === 'kept' || ! isset($hasKept[$row['section_id']]))) {
                $known[] = $view;
            }
        }

        return [array_map(array_reverse(...), $takes), $known, array_map(array_reverse(...), $views)];
    }

    /**
     * The words of older takes that were not kept are never asked for.
     *
     * @param  list<array<string, mixed>>  $rows  highest number first
     * @param  array<string, int>  $hasKept  sections of which something is kept, as keys
     * @return array<string, true> takes whose words are sent along, by id
     */
    private static function telling(array $rows, array $hasKept): array
    {
        $tell = $told = [];
        foreach ($rows as $row) {
            $section = $row['section_id'];
            $most = LessonCoverage::TELLING - (isset($hasKept[$section]) ? 1 : 0);
            $isNew = $row['verdict'] !== 'discarded' && ($told[$section] ?? 0) < $most;
            if ($row['verdict'] === 'kept' || $isNew) {
                $tell[$row['id']] = true;
                $told[$section] = ($told[$section] ?? 0) + ($row['verdict'] === 'kept' ? 0 : 1);
            }
        }

        return $tell;
    }
}
