<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Media\DraftVoice;
use App\Models\CaptionRow;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\TranslationRow;
use App\Queries\Lessons\LessonMusic;
use App\Queries\Lessons\LessonSnapshot;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Script\DraftLines;
use App\Queries\Slides\LessonDeck;
use App\Queries\Takes\LessonCoverage;
use App\Queries\Takes\TakeViews;
use OpenReel\Core\Assembly\Assembly;
use OpenReel\Core\Assembly\CueTimeline;
use OpenReel\Core\Assembly\FilmStyle;
use OpenReel\Core\Assembly\Passage;
use OpenReel\Core\Assembly\PictureCues;
use OpenReel\Core\Assembly\SectionInput;
use OpenReel\Core\Assembly\SilenceFound;
use OpenReel\Core\Assembly\Silences;
use OpenReel\Core\Assembly\SpeedCueAt;
use OpenReel\Core\Coverage\Coverage;
use OpenReel\Core\Coverage\DraftOrder;
use OpenReel\Core\Coverage\SectionCoverage;
use OpenReel\Core\Coverage\UsedPart;
use OpenReel\Core\Film\FilmPlan;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Render\ExportPreset;
use OpenReel\Core\Script\CardKind;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Sound\MusicTrack;
use OpenReel\Core\Style\DraftMark;
use OpenReel\Core\Style\HouseStyle;
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
     *    are left
     *    out
     */
    public function __invoke(Lesson $lesson, ?string $asKept = null, ExportPreset $as = new ExportPreset()): FilmPlan
    {
        $snapshot = LessonSnapshot::of($lesson);
        [$style, $rate, $script] = [$snapshot->style(), $snapshot->rate(), $snapshot->script()];
        $frame = $as->frame ?? $snapshot->frame();
        [$takes, $files] = TakeViews::many(LessonCoverage::takes($snapshot, $asKept), $style);
        if ($asKept !== null && isset($takes[$asKept])) {
            $takes[$asKept] = $takes[$asKept]->asKeptNow();
        }
        $coverage = LessonCoverage::from($snapshot, array_values($takes));
        $unread = 0;
        $drafts = $as->draft ? $this->drafts($lesson, $coverage, $style->language, $files, $unread) : [];
        $files += LessonDeck::files($snapshot->slides());
        $logo = LessonStyle::logoRow($style);
        if ($logo !== null) {
            $files[$logo->hash] = $logo->path;
        }
        [$beds, $sounds, $more] = [$this->music->of($lesson), $this->music->sounds(), $this->music->files($lesson)];
        $files += $more;
        [$cues, $texts] = [$snapshot->cues($frame), $snapshot->texts()];
        $sources = $idle = [];
        foreach ($snapshot->sections() as $index => $section) {
            $text = $script->sections[$index] ?? null;
            if ($text === null) {
                break;
            }
            $card = CardPicture::of($text, $frame, $style);
            if ($card !== null) {
                foreach ([$card->picture, ...$card->counting] as $still) {
                    $files[$still->hash] = CardPicture::path($still->hash);
                }
            }
            $own = array_column($snapshot->lines($section->id), 'id');
            $seen = $cues->of($text, $own);
            $passages = $card === null ? self::passages($own, $coverage->sections[$section->id] ?? null, $takes, $drafts) : [];
            $speeds = SpeedCueAt::where(PictureCues::speeds($text, $own), CueTimeline::of($own, $passages));
            $idle[$section->id] = Silences::idle($passages, $speeds);
            $sources[] = new SectionInput(
                $section->id,
                $section->heading,
                $seen->opening,
                array_map(fn (Passage $p): Passage => Silences::quicken($p, $speeds), $passages),
                $seen->changes,
                $card,
                $own,
                join: $cues->join($text, $rate),
                overlays: $cues->overlays($text, $own),
                emphases: $cues->emphases($text),
                music: $cues->music($text, $beds),
                sound: self::sound($text->card()?->kind, $index, $style, $sounds),
            );
        }
        foreach ($cues->drawings() as $svg) {
            $hash = Still::drawn(StillKind::Board, $svg, Shape::of(1, 1))->hash;
            $files[$hash] = CardPicture::path($hash);
        }
        $mark = $as->draft ? (new DraftMark($frame, $style))->layer() : null;
        foreach ($mark?->source->files() ?? [] as $hash) {
            $files[$hash] = CardPicture::path($hash);
        }
        $silences = array_map(fn (SectionInput $s): array => SilenceFound::all($s, $texts), array_column($sources, null, 'id'));
        $assembly = Assembly::of(
            $frame,
            $rate,
            $sources,
            new FilmStyle(
                LessonStyle::logo($style, $logo),
                $style->colours->ground->hex,
                $mark,
                $style->hidesJumps,
                $style->fadeIn,
                $style->fadeOut,
            ),
            $as->section,
        );

        return new FilmPlan(
            $assembly,
            $files,
            (float) $style->soundTarget,
            (float) $style->computerUnder,
            $unread,
            $texts,
            $style->music,
            array_filter($silences),
            array_filter($idle),
            CaptionRow::of($lesson->id),
            $style->language,
            $as->quality,
            $as->burned ? $style : null,
            TranslationRow::of($lesson->id),
        );
    }

    /**
     * What is heard when a section begins.
     *
     * @param  array<string, MusicTrack>  $sounds  by name
     */
    private static function sound(?CardKind $card, int $index, HouseStyle $style, array $sounds): ?MusicTrack
    {
        return match (true) {
            $card !== null => $style->cardSound
                ? $sounds[$card === CardKind::Question ? 'question' : 'card'] ?? null
                : null,
            default => $style->pageSound && $index > 0 ? $sounds['page'] ?? null : null,
        };
    }

    /**
     * What a stand-in voice reads of a lesson.
     *
     * @param  array<string, string>  $files  where its sounds lie is added
     * @param  int  $unread  set to how many lines it has still to read
     * @return array<string, TakeView> by line id
     */
    private function drafts(Lesson $lesson, Coverage $coverage, Language $language, array &$files, int &$unread): array
    {
        $drafts = [];
        foreach (DraftLines::of($lesson, $coverage) as $id => $text) {
            $found = $this->voice->find($text, $language);
            if ($found === null) {
                $unread++;

                continue;
            }
            [$track, $files[$track->hash]] = $found;
            $drafts[$id] = TakeView::draft((string) $id, $track);
        }

        return $drafts;
    }

    /**
     * @param  list<string>  $lines  ids of the section's
     * @param  array<string, TakeView>  $takes
     * @param  array<string, TakeView>  $drafts  by line id
     * @return list<Passage>
     */
    private static function passages(array $lines, ?SectionCoverage $covered, array $takes, array $drafts): array
    {
        $passages = [];
        foreach ($covered === null ? [] : DraftOrder::of($lines, $covered) as $part) {
            $draft = is_string($part) ? $drafts[$part] ?? null : null;
            if ($part instanceof UsedPart) {
                $passages[] = new Passage($takes[$part->take], $part->span, $part->lines, goesOn: $part->goesOn);
            } elseif ($draft !== null) {
                $passages[] = new Passage($draft, $draft->extent(), [$part]);
            }
        }

        return $passages;
    }
}
