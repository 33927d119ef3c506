<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\CaptionLanguage;
use OpenReel\Core\Captions\EditedCaptions;
use OpenReel\Core\Captions\Translations;
use OpenReel\Core\Film\FilmPlan;
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
        $translated = array_map(fn (array $all): array => Translations::texts($captions, $all), $plan->translations);
        $bySection = [];
        foreach ($captions as $number => $caption) {
            $bySection[$caption->section][$number] = $caption;
        }
        $sections = [];
        foreach ($bySection as $id => $own) {
            $sections[] = ['section_id' => $id, 'captions' => self::section($own, $plan, $translated)];
        }

        return [
            'sections' => $sections,
            'count' => count($captions),
            'unchecked' => count(array_filter($captions, fn (Caption $c): bool => ! $c->isChecked)),
            'languages' => CaptionLanguage::NAMES,
            'look' => self::look($plan->assembly->frame, $style),
        ];
    }

    /**
     * @param  array<string, array<int, string>>  $translated  by language and number
     * @return list<array{language: string, text: string}>
     */
    private static function translated(array $translated, int $number): array
    {
        $texts = [];
        foreach ($translated as $language => $own) {
            if (isset($own[$number])) {
                $texts[] = ['language' => $language, 'text' => $own[$number]];
            }
        }

        return $texts;
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
     * @param  array<int, Caption>  $captions  by number in the film
     * @param  array<string, array<int, string>>  $translated  by language and number
     * @return list<array<string, mixed>>
     */
    private static function section(array $captions, FilmPlan $plan, array $translated): array
    {
        $words = array_merge(...array_map(fn (Caption $c): array => $c->words, array_values($captions)));
        $gone = EditedCaptions::gone($words, $plan->set);
        $told = [];
        foreach ($captions as $at => $caption) {
            $told[] = [
                'number' => count($told),
                'line' => $caption->words[0]->line,
                'word' => $caption->words[0]->number,
                'translated' => self::translated($translated, $at),
                'rows' => $caption->rows,
                'was' => $caption->said(),
                'from_frame' => $caption->from->framesToHold($plan->assembly->rate),
                'until_frame' => $caption->until->framesToHold($plan->assembly->rate),
                'checked' => $caption->isChecked,
                'to_fill' => $caption->isToFill(),
                'before' => $caption->before($gone),
                'problem' => $caption->problem(),
            ];
        }

        return $told;
    }
}
