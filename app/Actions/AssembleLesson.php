<?php

namespace App\Actions;

use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use Illuminate\Support\Collection;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\SlideSource;
use OpenReel\Core\Assembly\TakeSource;
use OpenReel\Core\Coverage\TakeChoice;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Time\FrameRate;

/** Computes a lesson's assembly from its script, slides and verdicts. Nothing is stored. */
final class AssembleLesson
{
    public function __invoke(Lesson $lesson): AssembledLesson
    {
        $sections = $lesson->sections()->with('slide')->get();
        /** @var Collection<int, Take> $takes */
        $takes = Take::query()->where('verdict', Verdict::Kept)->whereIn('section_id', $sections->modelKeys())->get();
        $kept = $takes->groupBy('section_id');

        $files = [];
        $sources = $sections->map(function (Section $section) use ($kept, &$files): SectionSource {
            $take = self::usedTake($kept->get($section->id, new Collection));
            $slide = $section->slide;
            foreach ([[$take?->media_hash, $take?->media_path], [$take?->sound_hash, $take?->sound_path], [$slide?->hash, $slide?->path]] as [$hash, $path]) {
                if ($hash !== null && $path !== null) {
                    $files[$hash] = $path;
                }
            }

            return new SectionSource(
                $section->id,
                $section->heading,
                $section->layout,
                new Inset($section->inset_corner, $section->inset_size),
                $slide === null ? null : new SlideSource($slide->id, Shape::of($slide->width, $slide->height), $slide->hash),
                $take === null ? null : self::source($take),
            );
        })->all();

        return new AssembledLesson(Assembly::of(FrameSize::of($lesson->width, $lesson->height), FrameRate::of($lesson->fps), array_values($sources)), $files);
    }

    /** @param  Collection<int, Take>  $takes */
    private static function usedTake(Collection $takes): ?Take
    {
        $used = TakeChoice::used(array_values($takes->map(fn (Take $take) => TakeSpan::state($take))->all()));

        return $used === null ? null : $takes->firstWhere('id', $used->id);
    }

    private static function source(Take $take): TakeSource
    {
        $camera = $take->camera_width === null || $take->camera_height === null ? null : Shape::of($take->camera_width, $take->camera_height);

        return new TakeSource(
            $take->id, $take->number, TakeSpan::used($take), $camera,
            $camera === null ? null : $take->media_hash, $take->sound_hash, $take->loudness,
        );
    }
}
