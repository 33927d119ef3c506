<?php

declare(strict_types=1);

namespace App\Queries\Slides;

use App\Models\Slide;
use OpenReel\Core\Assembly\CuedSlide;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\ClipSource;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Stage;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** A lesson's slides as the core knows them. */
final class LessonDeck
{
    /**
     * @param  list<Slide>  $slides  in the order of the deck
     * @return list<CuedSlide>
     */
    public static function of(array $slides): array
    {
        return array_map(function (Slide $slide): CuedSlide {
            $still = self::still($slide, $slide->hash);
            $film = $slide->film;

            return new CuedSlide($slide->name, $still, Stage::slide(
                $still,
                array_map(fn (array $step): Still => self::still($slide, $step['hash']), $slide->steps),
                $film === null
                    ? null
                    : new ClipSource($film['hash'], Shape::of($film['width'], $film['height']), Tick::of($film['ticks'])),
            ));
        }, $slides);
    }

    /**
     * @param  list<Slide>  $slides
     * @return array<string, string> path on the media disk by hash, of all pictures and films
     */
    public static function files(array $slides): array
    {
        $files = [];
        foreach ($slides as $slide) {
            $files[$slide->hash] = $slide->path;
            $files += array_column($slide->steps, 'path', 'hash');
            $files += $slide->film === null ? [] : [$slide->film['hash'] => $slide->film['path']];
        }

        return $files;
    }

    private static function still(Slide $slide, string $hash): Still
    {
        return new Still(StillKind::Slide, $slide->id, Shape::of($slide->width, $slide->height), $hash);
    }
}
