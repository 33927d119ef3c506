<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenReel\Core\Annotation\Annotation;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\Source;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;

/**
 * What is seen, as layers for the browser: the same rectangles that the export is made from.
 *
 * @property Picture $resource
 */
final class PictureResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(?Request $request = null): array
    {
        return self::of($this->resource);
    }

    /** @return array{frame: array{width: int, height: int}, ground: string, layers: list<array<string, mixed>>} */
    public static function of(Picture $picture): array
    {
        return [
            'frame' => ['width' => $picture->frame->width, 'height' => $picture->frame->height],
            'ground' => $picture->ground,
            'layers' => array_map(fn (Layer $l): array => self::source($l->source) + $l->toArray(), $picture->layers),
        ];
    }

    /** @return array<string, mixed> */
    private static function source(Source $source): array
    {
        return match (true) {
            $source instanceof Still => ['shows' => $source->kind->value, 'url' => self::url($source), 'marks' => []],
            $source instanceof TrackAt && $source->slide !== null => [
                'shows' => 'film',
                'url' => SlideResource::url($source->slide->id, $source->slide->hash),
                'marks' => [],
                'film' => [
                    'url' => SlideResource::film($source->slide->id, $source->hash),
                    'at_ms' => $source->at->milliseconds(),
                ],
            ],
            $source instanceof TrackAt => [
                'shows' => $source->kind->value, 'url' => null, 'marks' => [], 'colours' => $source->adjustment?->matrix(),
            ],
            $source instanceof AnnotationLayer => [
                'shows' => 'marks',
                'url' => null,
                'marks' => array_map(fn (Annotation $m): array => $m->toArray(), $source->marks),
            ],
            default => throw new \LogicException('A layer of no known kind'),
        };
    }

    private static function url(Still $still): string
    {
        return match ($still->kind) {
            StillKind::Slide, StillKind::Laid => SlideResource::url($still->id, $still->hash),
            StillKind::Logo => LogoResource::url($still->hash),
            // A slide behind everything is called by its own id, what is drawn by its drawing.
            StillKind::Backdrop => $still->id === $still->hash
                ? "/api/cards/{$still->hash}"
                : SlideResource::url($still->id, $still->hash),
            default => "/api/cards/{$still->hash}",
        };
    }
}
