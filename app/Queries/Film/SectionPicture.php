<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Models\Section;
use App\OperationRejected;
use App\Queries\Lessons\LessonSnapshot;
use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Annotation\Stroke;
use OpenReel\Core\Assembly\BoardPages;
use OpenReel\Core\Assembly\PictureCueAt;
use OpenReel\Core\Assembly\ShotStyle;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\StageKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Script\Cue;
use OpenReel\Core\Script\Script;

/** What a section shows with a given camera and screen, line by line, by the same rules as the assembly. */
final class SectionPicture
{
    /**
     * @param  BoardPages  $boards  what stands on the board when it begins
     * @param  list<Cue>  $given  cues given by key, which hold whatever the script says
     * @return list<array{from_line: int, within: float, picture: Picture, surface: string|null, says: string}> each seen from its
     *    place on; the first from the start
     */
    public static function of(Section $section, ?TrackAt $camera, ?TrackAt $screen, BoardPages $boards, array $given = []): array
    {
        $lesson = LessonSnapshot::of($section->lesson);
        [$style, $frame] = [$lesson->style(), $lesson->frame()];
        $text = $lesson->sectionOfScript($section);
        if ($text === null) {
            throw OperationRejected::notYet('This section has been removed.');
        }
        $numbers = array_map(strval(...), range(1, max(1, count($text->lines))));
        $cues = $lesson->cues();
        $shown = $cues->of($text, $numbers);
        $logo = $lesson->logo();
        $seen = function (int $line, float $within, ShotStyle $choice) use (
            $frame, $style, $logo, $camera, $screen, $boards, $cues, $given,
        ): array {
            $choice = array_reduce($given, $cues->with(...), $choice);
            [$still, $film] = [$choice->stage?->still, $choice->stage?->film];
            $stage = match (true) {
                $choice->stage?->kind === StageKind::Screen => $screen,
                $film !== null && $still !== null => TrackAt::film($film, $still, Tick::zero()),
                default => $still,
            };
            $picture = fn (Annotation ...$marks): Picture => Picture::of(
                $frame,
                $choice->layout,
                $choice->inset,
                $stage,
                $camera,
                $logo,
                $style->colours->ground->hex,
                array_values($marks),
                backdrop: $choice->backdrop,
            );
            $bare = $picture();
            $rect = $bare->stageRect();
            $ink = $rect === null || $choice->stage === null ? [] : array_map(
                fn (Stroke $s): Annotation => new Annotation($s->whole($rect->width / $rect->height), 0, PHP_INT_MAX),
                $boards->on($choice->stage->surface()),
            );

            return [
                'from_line' => $line,
                'within' => $within,
                'picture' => $ink === [] ? $bare : $picture(...$ink),
                'surface' => $choice->stage?->surface(),
                'says' => $choice->stage->says ?? '',
            ];
        };

        return [
            $seen(1, 0.0, $shown->opening),
            ...array_map(fn (PictureCueAt $c): array => $seen((int) $c->line, $c->within, $c->then), $shown->changes),
        ];
    }
}
