<?php

declare(strict_types=1);

namespace App\Actions\Script;

use App\Models\Lesson;
use App\Models\Slide;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\CardPicture;
use App\Queries\Lessons\LessonMusic;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\LearnedPace;
use App\Queries\Takes\LessonCoverage;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Readiness\DeckSlide;
use OpenReel\Core\Readiness\Readiness;
use OpenReel\Core\Readiness\ReadinessIssue;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\CueKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\SourceMap;

/** What is still to be looked at in a lesson before it is recorded. */
final class CheckReadiness
{
    public function __construct(private readonly LessonMusic $music, private readonly AssembleLesson $assemble)
    {
    }

    /** @return list<array{kind: string, says: string, at: int|null, section_id: string|null}> places counted in UTF-16 units */
    public function __invoke(Lesson $lesson): array
    {
        $script = Script::parse($lesson->script);
        $style = LessonStyle::of($lesson);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $cutOff = [];
        foreach ($script->sections as $index => $section) {
            if ($section->card() !== null && CardPicture::drawing($section, $frame, $style)->isCutOff) {
                $cutOff[] = $index;
            }
        }
        $deck = array_values(
            $lesson
                ->slides()
                ->get()
                ->map(
                    fn (Slide $s): DeckSlide => new DeckSlide(
                        $s->name,
                        $s->film !== null || $s->width >= $frame->width || $s->height >= $frame->height,
                        max(0, count($s->steps) - 1),
                    ),
                )
                ->all(),
        );
        $sections = $lesson->sections()->pluck('id');
        $map = new SourceMap($lesson->script);

        return array_map(
            fn (ReadinessIssue $f): array => [
                'kind' => $f->kind,
                'says' => $f->says,
                'at' => $f->at === null ? null : $map->utf16($f->at),
                'section_id' => $f->section === null ? null : $sections[$f->section] ?? null,
            ],
            (new Readiness(
                $script, $deck, $style->layout, LearnedPace::of($lesson), $cutOff, self::unspoken($lesson, $sections->all()),
                self::withScreen($lesson, $sections->all()), $this->music->of($lesson), $style->presenter,
                $this->idle($lesson, $script, $sections->all()),
            ))->findings(),
        );
    }

    /**
     * @param  array<int, string>  $sections  ids, in order
     * @return array<int, list<int>> numbers of speed cues that no silence belongs to, by index of the section
     */
    private function idle(Lesson $lesson, Script $script, array $sections): array
    {
        $cues = array_merge(...array_map(fn (ScriptSection $s): array => $s->cues, $script->sections));
        if (array_filter($cues, fn (Cue $c): bool => $c->kind === CueKind::Speed) === []) {
            return [];
        }
        $idle = ($this->assemble)($lesson)->idle;

        return array_filter(array_map(fn (string $id): array => $idle[$id] ?? [], $sections));
    }

    /**
     * @param  array<int, string>  $sections  ids, in order
     * @return array<int, list<int>> numbers of lines by index of the section
     */
    private static function unspoken(Lesson $lesson, array $sections): array
    {
        $unspoken = [];
        foreach (LessonCoverage::of($lesson)->sections as $id => $coverage) {
            $index = array_search($id, $sections, true);
            if ($index !== false && $coverage->isHeard() && $coverage->missing !== []) {
                $numbers = DB::table('lines')->whereIn('id', $coverage->missing)->orderBy('position')->pluck('position');
                $unspoken[$index] = array_values($numbers->map(intval(...))->all());
            }
        }

        return $unspoken;
    }

    /**
     * @param  array<int, string>  $sections  ids, in order
     * @return list<int> indexes of sections that are heard in takes with a screen
     */
    private static function withScreen(Lesson $lesson, array $sections): array
    {
        $screens = DB::table('tracks')
            ->where('kind', TrackKind::Screen)
            ->whereNotNull('file_path')
            ->whereIn('take_id', DB::table('takes')->whereIn('section_id', $sections)->select('id'))
            ->pluck('take_id')
            ->all();
        $with = [];
        foreach ($screens === [] ? [] : LessonCoverage::of($lesson)->sections as $id => $coverage) {
            $index = array_search($id, $sections, true);
            $takes = array_map(fn (UsedPart $p): string => $p->take, $coverage->parts);
            if ($index !== false && array_intersect($takes, $screens) !== []) {
                $with[] = $index;
            }
        }

        return $with;
    }
}
