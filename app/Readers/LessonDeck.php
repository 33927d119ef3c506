<?php

declare(strict_types=1);

namespace App\Readers;

use App\Models\Slide;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** A lesson's slides as the core knows them. */
final class LessonDeck
{
    /**
     * @param  list<Slide>  $slides  in the order of the deck
     * @return list<array{name: string, still: Still}>
     */
    public static function of(array $slides): array
    {
        return array_map(fn (Slide $s): array => [
            'name' => $s->name, 'still' => new Still(StillKind::Slide, $s->id, Shape::of($s->width, $s->height), $s->hash),
        ], $slides);
    }
}
