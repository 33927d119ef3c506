<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\FilmPlan;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\SetCaptions;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Style\CaptionLook;
use OpenReel\Core\Style\HouseStyle;

/** The captions of a film, section by section. */
final class CaptionsResource
{
    /** @return array{sections: list<array<string, mixed>>, count: int, unchecked: int} */
    public static function of(FilmPlan $plan, HouseStyle $style): array
    {
        $captions = $plan->captions();
        $bySection = [];
        foreach ($captions as $caption) {
            $bySection[$caption->section][] = $caption;
        }
        $sections = [];
        foreach ($bySection as $id => $own) {
            $sections[] = ['section_id' => $id, 'captions' => self::section($own, $plan)];
        }

        return [
            'sections' => $sections,
            'count' => count($captions),
            'unchecked' => count(array_filter($captions, fn (Caption $c): bool => ! $c->isChecked)),
            'look' => self::look($plan->assembly->frame, $style),
        ];
    }

    /** @return array<string, mixed> of captions that are part of the picture: pixels of the frame */
    private static function look(FrameSize $frame, HouseStyle $style): array
    {
        $look = CaptionLook::of($style, $frame);

        return [
            'frame' => ['width' => $frame->width, 'height' => $frame->height],
            'row' => $look->size,
            'letters' => $look->letters,
            'box' => $look->hasBox,
            'padding' => $look->padding,
            'outline' => $look->outline,
            'bottom' => $look->bottom,
            'face' => $style->faces->text,
            'paper' => $style->colours->paper->hex,
            'ink' => $style->colours->ink->hex,
            'opacity' => CaptionLook::GROUND_OPACITY,
        ];
    }

    /**
     * @param  list<Caption>  $captions
     * @return list<array<string, mixed>>
     */
    private static function section(array $captions, FilmPlan $plan): array
    {
        $words = array_merge(...array_map(fn (Caption $c): array => $c->words, $captions));
        $gone = SetCaptions::gone($words, $plan->set);
        $told = [];
        foreach ($captions as $number => $caption) {
            $told[] = [
                'number' => $number,
                'rows' => $caption->rows,
                'was' => $caption->said(),
                'from_frame' => $caption->from->framesToHold($plan->assembly->rate),
                'until_frame' => $caption->until->framesToHold($plan->assembly->rate),
                'checked' => $caption->isChecked,
                'before' => $caption->before($gone),
                'problem' => $caption->problem(),
            ];
        }

        return $told;
    }
}
