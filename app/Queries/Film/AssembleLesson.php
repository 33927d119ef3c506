<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Media\DraftVoice;
use App\Models\CaptionRow;
use App\Models\Lesson;
use App\Models\TranslationRow;
use App\Queries\Lessons\LessonMusic;
use App\Queries\Lessons\LessonSnapshot;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\DraftLines;
use App\Queries\Slides\LessonDeck;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Take\TakeView;

/** Computes a lesson's assembly from its script, slides, style and verdicts. Nothing of it is stored. */
final class AssembleLesson
{
    public function __construct(private readonly DraftVoice $voice, private readonly LessonMusic $music)
    {
    }

    /**
     * @param  string|null  $asKept  id of a take that is treated as if it were kept now
     * @param  ExportPreset  $as  in a draft a stand-in voice reads the lines that nobody has spoken yet; those it has not read
     *    are left out
     */
    public function __invoke(Lesson $lesson, ?string $asKept = null, ExportPreset $as = new ExportPreset()): FilmPlan
    {
        $snapshot = LessonSnapshot::of($lesson);
        [$style, $frame] = [$snapshot->style(), $as->frame ?? $snapshot->frame()];
        [$takes, $files] = TakeViews::many(LessonCoverage::takes($snapshot, $asKept), $style);
        if ($asKept !== null && isset($takes[$asKept])) {
            $takes[$asKept] = $takes[$asKept]->asKeptNow();
        }
        $coverage = LessonCoverage::from($snapshot, array_values($takes));
        $reading = $as->draft ? $this->read($lesson, $coverage, $style->language) : new DraftReading;
        $logo = LessonStyle::logoRow($style);
        $mark = $as->draft ? (new DraftMark($frame, $style))->layer() : null;
        $cues = $snapshot->cues($frame);
        $sources = (new SectionSources(
            $snapshot, $cues, $frame, $coverage, $takes, $reading->drafts, $this->music->of($lesson), $this->music->sounds(),
        ))->all();
        $inputs = array_map(fn (SectionSource $s): SectionInput => $s->input, $sources);
        $texts = $snapshot->texts();

        return new FilmPlan(
            Assembly::of(
                $frame,
                $snapshot->rate(),
                array_values($inputs),
                new FilmStyle(
                    LessonStyle::logo($style, $logo),
                    $style->colours->ground->hex,
                    $mark,
                    $style->hidesJumps,
                    $style->fadeIn,
                    $style->fadeOut,
                ),
                $as->section,
            ),
            $files
                + $reading->files
                + LessonDeck::files($snapshot->slides())
                + ($logo === null ? [] : [$logo->hash => $logo->path])
                + $this->music->files($lesson)
                + self::drawings($sources, $cues, $mark),
            (float) $style->soundTarget,
            (float) $style->computerUnder,
            $reading->unread,
            $texts,
            $style->music,
            array_filter(array_map(fn (SectionInput $s): array => SilenceFound::all($s, $texts), $inputs)),
            array_filter(array_map(fn (SectionSource $s): array => $s->idle, $sources)),
            CaptionRow::of($lesson->id),
            $style->language,
            $as->quality,
            $as->burned ? $style : null,
            TranslationRow::of($lesson->id),
        );
    }

    /**
     * Pictures that are drawn for the lesson: cards, pages of the board, labels, the mark of a draft.
     *
     * @param  array<string, SectionSource>  $sources
     * @return array<string, string> path on the media disk by hash
     */
    private static function drawings(array $sources, PictureCues $cues, ?Layer $mark): array
    {
        $hashes = [
            ...array_merge(...array_values(array_map(fn (SectionSource $s): array => $s->drawings, $sources))),
            ...array_map(
                fn (string $svg): string => Still::drawn(StillKind::Board, $svg, Shape::of(1, 1))->hash, $cues->drawings(),
            ),
            ...$mark?->source->files() ?? [],
        ];

        return array_combine($hashes, array_map(CardPicture::path(...), $hashes));
    }

    private function read(Lesson $lesson, Coverage $coverage, Language $language): DraftReading
    {
        $drafts = $files = [];
        $unread = 0;
        foreach (DraftLines::of($lesson, $coverage) as $id => $text) {
            $found = $this->voice->find($text, $language);
            if ($found === null) {
                $unread++;

                continue;
            }
            [$track, $path] = $found;
            $files[$track->hash] = $path;
            $drafts[$id] = TakeView::draft((string) $id, $track);
        }

        return new DraftReading($drafts, $files, $unread);
    }
}
