<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Media\FilmPlan;
use OpenReel\Core\Captions\Caption;
use OpenReel\Core\Captions\SetCaption;
use OpenReel\Core\Captions\SetCaptions;

/** The captions of a film, section by section. */
final class CaptionsResource
{
    /** @return array{sections: list<array<string, mixed>>, count: int, unchecked: int} */
    public static function of(FilmPlan $plan): array
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
        ];
    }

    /**
     * @param  list<Caption>  $captions
     * @return list<array<string, mixed>>
     */
    private static function section(array $captions, FilmPlan $plan): array
    {
        $words = array_merge(...array_map(fn (Caption $c): array => $c->words, $captions));
        $placed = array_map(fn (SetCaption $c): string => $c->id, SetCaptions::among($words, $plan->set));
        $gone = array_filter($plan->set, fn (SetCaption $c): bool => $c->isChecked && ! in_array($c->id, $placed, true));
        $told = [];
        foreach ($captions as $number => $caption) {
            $before = array_filter($gone, fn (SetCaption $c): bool => self::holds($caption, $c));
            $told[] = [
                'number' => $number,
                'rows' => $caption->rows,
                'was' => $caption->said(),
                'from_frame' => $caption->from->framesToHold($plan->assembly->rate),
                'until_frame' => $caption->until->framesToHold($plan->assembly->rate),
                'checked' => $caption->isChecked,
                // It was read before its words were changed.
                'before' => $before === [] || $caption->isChecked ? null : reset($before)->text(),
                'problem' => $caption->problem(),
            ];
        }

        return $told;
    }

    private static function holds(Caption $caption, SetCaption $set): bool
    {
        foreach ($caption->words as $word) {
            if ($word->line === $set->line && $word->number === $set->word) {
                return true;
            }
        }

        return false;
    }
}
