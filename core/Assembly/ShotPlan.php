<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layout;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\Zoom;

/** Cuts a segment into shots, at the frames on which its cues fall. */
final readonly class ShotPlan
{
    public function __construct(private FrameSize $frame, private FrameRate $rate, private FilmStyle $look)
    {
    }

    /**
     * @param  ShotStyle  $opening  what is seen when the passage begins
     * @param  int  $staged  frames for which its stage has been seen before the passage begins
     */
    public function of(ShotStyle $opening, PassageView $view, int $staged = 0): PassageShots
    {
        $seen = SeenChanges::in($view, $opening, $staged);
        $pictures = new PassagePictures($this->frame, $this->rate, $this->look, $view);
        $overlays = self::overlays($view);
        $starts = self::starts($view, $seen, $overlays);
        $shots = [];
        foreach ($starts as $i => $start) {
            $until = $starts[$i + 1] ?? $view->map->frames;
            $picture = self::picture($pictures, $seen, $start, $until);
            foreach ($overlays as $overlay) {
                $picture = $overlay->isSeenOn($start) ? $picture->under($overlay->layer) : $picture;
            }
            if ($view->passage->take->content->isDraft && $this->look->draftMark !== null) {
                $picture = $picture->under($this->look->draftMark);
            }
            $shots[] = new Shot($start, $until - $start, $picture);
        }

        return new PassageShots($shots, $seen->last, max(0, $view->map->frames - $seen->stageFrom));
    }

    /** @return non-empty-list<Shot> one, or one a second where it counts */
    public function card(CardSource $card, int $frames): array
    {
        $shot = fn (Still $picture, int $from, int $until): Shot => new Shot(
            $from,
            $until - $from,
            Picture::of($this->frame, Layout::SlideAlone, new Inset(), $picture, null, $this->look->logo, $this->look->ground),
        );
        $shots = [];
        foreach ($card->counting as $second => $picture) {
            $from = $second * $this->rate->fps;
            $isLast = $second === count($card->counting) - 1;
            if ($from < $frames) {
                $shots[] = $shot($picture, $from, $isLast ? $frames : min($frames, $from + $this->rate->fps));
            }
        }

        return $shots === [] ? [$shot($card->picture, 0, $frames)] : $shots;
    }

    /**
     * The frames on which shots begin: what stands is put together once, and a piece of the film is made for itself.
     *
     * @param  list<LayerAt>  $overlays
     * @return non-empty-list<int> rising
     */
    private static function starts(PassageView $view, SeenChanges $seen, array $overlays): array
    {
        $starts = [...$view->map->changes(), ...EmphasisPlan::changes($view)];
        foreach ($seen->all as $change) {
            foreach ($change->arrivals() as $frame) {
                $isCutOff = $seen->before($frame)->frame > $change->frame;
                array_push($starts, ...$isCutOff ? [] : [$frame]);
            }
        }
        foreach ($overlays as $overlay) {
            array_push($starts, $overlay->from, $overlay->until);
        }
        $starts = array_filter($starts, fn (int $frame): bool => $frame < $view->map->frames);
        $starts = array_values(array_unique([...array_keys($seen->all), ...$starts]));
        sort($starts);

        return $starts;
    }

    private static function picture(PassagePictures $pictures, SeenChanges $seen, int $from, int $until): Picture
    {
        $change = $seen->at($from);
        $done = $from - $change->frame;
        $zoom = $change->way->zoom($change->style->zoom, $done);
        $picture = $pictures->of($change->style, $zoom, $change->stageFrom, $from, $until);
        if ($done >= $change->moves) {
            return $picture;
        }
        $standing = fn (ShotStyle $style, SeenChange $at): Picture => $pictures->of(
            $style, new Zoom($style->zoom), $at->stageFrom, $from, $until,
        );

        return LayoutMove::of(self::leaving($change, $seen, $standing), $picture, $change->moves, $done);
    }

    /**
     * What a move sets out from: where another one has not come to its end, as far as that has gone.
     *
     * @param  \Closure(ShotStyle, SeenChange): Picture  $standing  what is seen of a style with the stage of a change
     */
    private static function leaving(SeenChange $change, SeenChanges $seen, \Closure $standing): Picture
    {
        $earlier = $seen->before($change->frame);
        $was = $standing($change->before ?? $change->style, $earlier);
        $done = $change->frame - $earlier->frame;
        if ($done >= $earlier->moves || $earlier->before === null) {
            return $was;
        }

        return LayoutMove::of($standing($earlier->before, $seen->before($earlier->frame)), $was, $earlier->moves, $done);
    }

    /** @return list<LayerAt> what is laid over the whole picture for a while */
    private static function overlays(PassageView $view): array
    {
        $laid = [];
        foreach ($view->section->overlays as $shown) {
            $at = $view->momentOf(new LinePlace($shown->line, $shown->within));
            if ($at !== null && $at->isBefore($view->passage->span->until)) {
                $from = $view->map->frameOf($at);
                $until = $view->map->frameOf($at->plus(Tick::ofMilliseconds($shown->milliseconds)));
                $laid[] = new LayerAt($from, max($from + 1, $until), $shown->layer);
            }
        }

        return $laid;
    }
}
