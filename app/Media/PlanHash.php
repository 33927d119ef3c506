<?php

declare(strict_types=1);

namespace App\Media;

use OpenReel\Core\Render\CacheKey;
use OpenReel\Core\Render\ShotSpec;
use OpenReel\Core\Render\SoundSpec;

/** Tells whether an export still shows what the lesson says: a hash of everything that goes into the film. */
final class PlanHash
{
    public static function of(FilmPlan $lesson): string
    {
        return CacheKey::of('film', [
            'pictures' => array_map(fn (ShotSpec $s): string => $s->key(''), $lesson->pictures()),
            'sounds' => array_map(fn (SoundSpec $s): string => $s->key(''), $lesson->sounds()),
            'chapters' => array_map(fn ($c): string => $c->title, $lesson->assembly->chapters()),
        ], '');
    }
}
