<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\FilmPlan;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Models\Track;
use App\Readers\CardPicture;
use App\Readers\LessonCoverage;
use App\Readers\LessonDeck;
use App\Readers\LessonStyle;
use App\Readers\TakeReader;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\Take as CoreTake;
use OpenReel\Core\Time\FrameRate;

/** Computes a lesson's assembly from its script, slides, style and verdicts. Nothing is stored. */
final class AssembleLesson
{
    public function __invoke(Lesson $lesson): FilmPlan
    {
        $style = LessonStyle::of($lesson);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $script = Script::read($lesson->script);
        $coverage = LessonCoverage::of($lesson);
        $takes = $this->takes($coverage);
        $slides = array_values($lesson->slides()->get()->all());
        $files = array_column(array_map(fn (Slide $s): array => [$s->hash, $s->path], $slides), 1, 0) + self::files($takes);
        $logo = LessonStyle::logoRow($style);
        if ($logo !== null) {
            $files[$logo->hash] = $logo->path;
        }
        $cues = new PictureCues($script, LessonDeck::of($slides), $style);
        $core = $takes->map(fn (Take $take): CoreTake => TakeReader::core($take))->all();
        $lines = $this->lines($lesson);
        $sources = [];
        foreach (array_values($lesson->sections()->get()->all()) as $index => $section) {
            $text = $script->sections[$index] ?? null;
            if ($text === null) {
                break;
            }
            $card = CardPicture::of($text, $frame, $style);
            if ($card !== null) {
                $files[$card->picture->hash] = CardPicture::path($card->picture->hash);
            }
            [$opening, $changes] = $cues->of($text, $lines[$section->id] ?? []);
            $sources[] = new SectionSource(
                $section->id,
                $section->heading,
                $opening,
                $card === null ? self::passages($section, $coverage, $core) : [],
                $changes,
                $card,
                $lines[$section->id] ?? [],
            );
        }
        $assembly = Assembly::of(
            $frame,
            FrameRate::of($lesson->fps),
            $sources,
            LessonStyle::logo($style, $logo),
            $style->colours->ground->hex,
        );

        return new FilmPlan($assembly, $files, (float) $style->soundTarget);
    }

    /** @return array<string, list<string>> line ids by section, in order */
    private function lines(Lesson $lesson): array
    {
        $lines = [];
        foreach (
            DB::table('lines')
                ->where('lesson_id', $lesson->id)
                ->whereNotNull('position')
                ->orderBy('position')
                ->get(['id', 'section_id']) as $row
        ) {
            $lines[$row->section_id][] = $row->id;
        }

        return $lines;
    }

    /** @return Collection<string, Take> those that are heard, by id */
    private function takes(Coverage $coverage): Collection
    {
        $ids = [];
        foreach ($coverage->sections as $section) {
            array_push($ids, ...array_map(fn (UsedPart $p): string => $p->take, $section->parts));
        }
        /** @var Collection<string, Take> */
        $takes = Take::query()->with('tracks')->whereKey(array_unique($ids))->get()->keyBy('id');

        return $takes;
    }

    /**
     * @param  Collection<string, Take>  $takes
     * @return array<string, string> path on the media disk by hash
     */
    private static function files(Collection $takes): array
    {
        $files = [];
        foreach ($takes as $take) {
            foreach ($take->tracks->filter(fn (Track $t): bool => $t->file_path !== null) as $track) {
                $files[(string) $track->hash] = (string) $track->file_path;
            }
        }

        return $files;
    }

    /**
     * @param  array<string, CoreTake>  $takes
     * @return list<Passage>
     */
    private static function passages(Section $section, Coverage $coverage, array $takes): array
    {
        return array_map(
            fn (UsedPart $part): Passage => new Passage($takes[$part->take], $part->span, $part->lines),
            $coverage->sections[$section->id]->parts ?? [],
        );
    }
}
