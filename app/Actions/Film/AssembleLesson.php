<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\FilmPlan;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use App\Readers\CardPicture;
use App\Readers\LessonCoverage;
use App\Readers\LessonDeck;
use App\Readers\LessonStyle;
use App\Readers\TakeReader;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionSource;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Take\Take as CoreTake;
use OpenReel\Core\Time\FrameRate;

/** Computes a lesson's assembly from its script, slides, style and verdicts. Nothing of it is stored. */
final class AssembleLesson
{
    /** @param  string|null  $asKept  id of a take that is treated as if it were kept now */
    public function __invoke(Lesson $lesson, ?string $asKept = null): FilmPlan
    {
        $style = LessonStyle::of($lesson);
        $frame = FrameSize::of($lesson->width, $lesson->height);
        $script = Script::read($lesson->script);
        $coverage = LessonCoverage::of($lesson, $asKept);
        [$takes, $files] = $this->takes($coverage, $style->cleaning);
        $slides = array_values($lesson->slides()->get()->all());
        $files += array_column(array_map(fn (Slide $s): array => [$s->hash, $s->path], $slides), 1, 0);
        $logo = LessonStyle::logoRow($style);
        if ($logo !== null) {
            $files[$logo->hash] = $logo->path;
        }
        $cues = new PictureCues($script, LessonDeck::of($slides), $style, $frame);
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
                $card === null ? self::passages($section, $coverage, $takes) : [],
                $changes,
                $card,
                $lines[$section->id] ?? [],
                keys: $cues->keys($text, $lines[$section->id] ?? []),
            );
        }
        foreach ($cues->drawings() as $svg) {
            $hash = Still::drawn(StillKind::Board, $svg, Shape::of(1, 1))->hash;
            $files[$hash] = CardPicture::path($hash);
        }
        $assembly = Assembly::of(
            $frame,
            FrameRate::of($lesson->fps),
            $sources,
            LessonStyle::logo($style, $logo),
            $style->colours->ground->hex,
        );

        return new FilmPlan($assembly, $files, (float) $style->soundTarget, (float) $style->computerUnder);
    }

    /** @return array<string, list<string>> line ids by section, in order */
    private function lines(Lesson $lesson): array
    {
        $lines = [];
        $rows = DB::table('lines')
            ->where('lesson_id', $lesson->id)
            ->whereNotNull('position')
            ->orderBy('position')
            ->get(['id', 'section_id']);
        foreach ($rows as $row) {
            $lines[$row->section_id][] = $row->id;
        }

        return $lines;
    }

    /**
     * The takes that are heard, and where the files of their tracks lie.
     *
     * @param  Cleaning  $usual  how the lesson's voices are cleaned
     * @return array{array<string, CoreTake>, array<string, string>} by id; path on the media disk by hash
     */
    private function takes(Coverage $coverage, Cleaning $usual): array
    {
        $ids = [];
        foreach ($coverage->sections as $section) {
            array_push($ids, ...array_map(fn (UsedPart $p): string => $p->take, $section->parts));
        }
        $ids = array_values(array_unique($ids));
        $tracks = $files = $takes = [];
        foreach (DB::table('tracks')->whereIn('take_id', $ids)->whereNotNull('file_path')->get() as $row) {
            $tracks[$row->take_id][] = (array) $row;
            $files[$row->hash] = $row->file_path;
        }
        foreach (DB::table('takes')->whereIn('id', $ids)->get() as $row) {
            $takes[$row->id] = TakeReader::coreOf((array) $row, $tracks[$row->id] ?? [], $usual);
        }

        return [$takes, $files];
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
