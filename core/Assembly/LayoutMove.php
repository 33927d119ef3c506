<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Ease;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\Picture;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;
use OpenReel\Core\Picture\TrackAt;
use OpenReel\Core\Picture\TrackKind;

/**
 * The way from one picture to another: what is seen in both goes to its new place, an inset that comes or goes does so over
 * the nearest side of the frame, and a stage that goes stays until it is covered.
 */
final class LayoutMove
{
    /**
     * @param  int  $frames  that the way takes
     * @param  int  $done  frames of it that have gone
     */
    public static function of(Picture $before, Picture $then, int $frames, int $done = 0): Picture
    {
        $gone = Ease::Soft->at($done / $frames);
        $old = self::byKind($before);
        $new = self::byKind($then);
        $backdrop = $before->layers[0] ?? null;
        // What fills the frame then hides what lies behind it only once it is there.
        $layers = $backdrop !== null && self::isBackdrop($backdrop) && ! self::isBackdrop($then->layers[0] ?? $backdrop)
            ? [$backdrop]
            : [];
        $leaving = isset($new['stage']) ? null : $old['stage'] ?? null;
        foreach ($then->layers as $layer) {
            $kind = self::kind($layer);
            if ($leaving !== null && ! self::isBackdrop($layer)) {
                $layers[] = $leaving;
                $leaving = null;
            }
            // What is drawn over the stage goes with it.
            $was = $kind === 'marks' ? $old['stage'] ?? null : $old[$kind] ?? null;
            if ($kind === null || $layer->motion !== null && $was === null) {
                $layers[] = $layer;
            } elseif ($was !== null) {
                $at = $was->motion->from ?? $was->rect;
                $layers[] = self::moved($layer, self::covering($at, $layer->rect), $frames - $done, $gone);
            } elseif ($kind === 'camera') {
                $layers[] = self::moved($layer, self::outside($layer->rect, $then->frame), $frames - $done, $gone);
            } else {
                $layers[] = $layer;
            }
        }
        if (isset($old['camera']) && ! isset($new['camera'])) {
            $camera = $old['camera'];
            $out = new Layer(
                $camera->source, self::outside($camera->rect, $then->frame), $camera->fit, $camera->edge, $camera->crop,
                $camera->opacity,
            );
            $layers[] = self::moved($out, $camera->motion->from ?? $camera->rect, $frames - $done, $gone);
        }

        return new Picture($then->frame, $then->ground, $layers);
    }

    private static function isBackdrop(Layer $layer): bool
    {
        return $layer->source instanceof Still && $layer->source->kind === StillKind::Backdrop;
    }

    private static function moved(Layer $layer, PixelRect $from, int $frames, float $gone): Layer
    {
        if ($from == $layer->rect) {
            return $layer;
        }
        $way = fn (int $a, int $b): int => PixelRect::even($a + ($b - $a) * $gone);
        $from = new PixelRect(
            $way($from->x, $layer->rect->x),
            $way($from->y, $layer->rect->y),
            max(2, $way($from->width, $layer->rect->width)),
            max(2, $way($from->height, $layer->rect->height)),
        );

        return new Layer(
            $layer->source, $layer->rect, $layer->fit, $layer->edge, $layer->crop, $layer->opacity,
            new Motion($from, $layer->motion->frames ?? $frames, part: $layer->motion?->part),
        );
    }

    /** The smallest rectangle of another's shape that covers all of one, so that nothing is stretched on the way. */
    private static function covering(PixelRect $all, PixelRect $shape): PixelRect
    {
        $scale = max($all->width / $shape->width, $all->height / $shape->height);
        [$width, $height] = [PixelRect::even($shape->width * $scale), PixelRect::even($shape->height * $scale)];

        return new PixelRect(
            PixelRect::even($all->x + ($all->width - $width) / 2),
            PixelRect::even($all->y + ($all->height - $height) / 2),
            $width,
            $height,
        );
    }

    /** As large, beyond the side of the frame that is nearest. */
    private static function outside(PixelRect $rect, FrameSize $frame): PixelRect
    {
        $isLeft = $rect->x + $rect->width / 2 < $frame->width / 2;

        return new PixelRect($isLeft ? -$rect->width : $frame->width, $rect->y, $rect->width, $rect->height);
    }

    /** @return array<string, Layer> */
    private static function byKind(Picture $picture): array
    {
        $found = [];
        foreach ($picture->layers as $layer) {
            $kind = self::kind($layer);
            if ($kind !== null && $kind !== 'marks') {
                $found[$kind] ??= $layer;
            }
        }

        return $found;
    }

    private static function kind(Layer $layer): ?string
    {
        $source = $layer->source;

        return match (true) {
            $source instanceof AnnotationLayer => 'marks',
            $source instanceof TrackAt => $source->kind === TrackKind::Screen ? 'stage' : 'camera',
            $source instanceof Still && in_array($source->kind, [StillKind::Slide, StillKind::Board], true) => 'stage',
            $source instanceof Still && self::isLaid($source) => "laid {$source->hash}",
            default => null,
        };
    }

    private static function isLaid(Still $still): bool
    {
        return in_array($still->kind, [StillKind::Label, StillKind::Laid], true);
    }
}
