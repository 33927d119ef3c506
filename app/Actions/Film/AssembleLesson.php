<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\FilmPlan;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Take;
use App\Readers\CardPicture;
use App\Readers\LessonStyle;
use App\Readers\PictureCues;
use App\Readers\TakeSpan;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Assembly\TakeSource;
use OpenReel\Core\Coverage\TakeChoice;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\Verdict;
use OpenReel\Core\Time\FrameRate;
use OpenReel\Core\Time\Tick;

/** Computes a lesson's assembly from its script, slides, style and verdicts. Nothing is stored. */
final class AssembleLesson
{
    public function __invoke(Lesson $lesson): FilmPlan
    {
        $style = LessonStyle::of($lesson);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $script = Script::read($lesson->script);
        $sections = array_values($lesson->sections()->get()->all());
        $lines = $this->lines($lesson);
        $kept = $this->keptTakes($sections);
        $cues = new PictureCues($lesson, $script, $style);
        $files = $cues->files();
        $logo = LessonStyle::logoRow($style);
        if ($logo !== null) {
            $files[$logo->hash] = $logo->path;
        }
        $spokenIn = $this->spokenIn($kept);
        $sources = [];
        foreach ($script->sections as $index => $text) {
            $section = $sections[$index] ?? null;
            if ($section === null) {
                break;
            }
            $ids = $lines[$section->id] ?? [];
            $card = CardPicture::of($text, $frame, $style);
            $takes = $card === null ? $this->takes($kept->get($section->id, new Collection), $ids, $files) : [];
            if ($card !== null) {
                $files[$card->picture->hash] = CardPicture::path($card->picture->hash);
            }
            [$opening, $changes] = $cues->of($text, $ids);
            $elsewhere = $card === null && $takes === [] && $ids !== [] && array_diff_key(array_flip($ids), $spokenIn) === [];
            $sources[] = new SectionSource($section->id, $section->heading, $opening, $takes, $changes, $card, $elsewhere ? $spokenIn[$ids[0]] : null, $ids);
        }
        $assembly = Assembly::of($frame, FrameRate::of($lesson->fps), $sources, LessonStyle::logo($style, $logo), $style->text('ground'));

        return new FilmPlan($assembly, $files, (float) $style->number('sound_target'));
    }

    /** @return array<string, list<string>> line ids by section, in order */
    private function lines(Lesson $lesson): array
    {
        $lines = [];
        foreach (DB::table('lines')->where('lesson_id', $lesson->id)->whereNotNull('position')->orderBy('position')->get(['id', 'section_id']) as $row) {
            $lines[$row->section_id][] = $row->id;
        }

        return $lines;
    }

    /**
     * @param  list<Section>  $sections
     * @return Collection<string, Collection<int, Take>>
     */
    private function keptTakes(array $sections): Collection
    {
        /** @var Collection<int, Take> $takes */
        $takes = Take::query()->where('verdict', Verdict::Kept)->whereIn('section_id', array_map(fn (Section $s): string => $s->id, $sections))->get();

        /** @var Collection<string, Collection<int, Take>> */
        return $takes->groupBy('section_id');
    }

    /**
     * @param  Collection<string, Collection<int, Take>>  $kept
     * @return array<string, string> the section in whose takes a line is spoken, by line id
     */
    private function spokenIn(Collection $kept): array
    {
        $in = [];
        foreach ($kept as $section => $takes) {
            foreach ($takes as $take) {
                $in += array_fill_keys(array_column($take->lines, 'id'), (string) $section);
            }
        }

        return $in;
    }

    /**
     * @param  Collection<int, Take>  $takes
     * @param  list<string>  $lines
     * @param  array<string, string>  $files
     * @return list<TakeSource>
     */
    private function takes(Collection $takes, array $lines, array &$files): array
    {
        $sources = [];
        foreach (TakeChoice::used(array_values($takes->map(fn (Take $take) => TakeSpan::state($take))->all()), $lines) as $used) {
            $take = $takes->firstWhere('id', $used->id);
            if ($take === null) {
                continue;
            }
            foreach ([[$take->media_hash, $take->media_path], [$take->sound_hash, $take->sound_path]] as [$hash, $path]) {
                if ($hash !== null && $path !== null) {
                    $files[$hash] = $path;
                }
            }
            $sources[] = self::source($take);
        }

        return $sources;
    }

    private static function source(Take $take): TakeSource
    {
        $camera = $take->camera_width === null || $take->camera_height === null ? null : Shape::of($take->camera_width, $take->camera_height);

        return new TakeSource(
            $take->id, $take->number, TakeSpan::used($take), $camera,
            $camera === null ? null : $take->media_hash, $take->sound_hash, $take->loudness, array_map(Tick::of(...), $take->line_ticks),
            $take->colour(),
        );
    }
}
