<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;

/**
 * A shot's layers as chains of a filter graph. What stands and is not touched by anything that moves below it is put together
 * once and repeated from memory; the rest is laid over it frame by frame.
 */
final class LayerGraph
{
    private readonly LayerChains $chains;

    /** @var list<Layer> what can be put together once */
    private array $standing = [];

    /** @var list<Layer> what has to be laid over it */
    private array $moving = [];

    private function __construct(private readonly FilterGraph $graph, private readonly ShotSpec $spec)
    {
        $this->chains = new LayerChains($graph, $spec);
        foreach ($spec->picture->layers as $layer) {
            $meets = fn (Layer $below): bool => $below->meets($layer);
            if ($this->stands($layer) && array_filter($this->moving, $meets) === []) {
                $this->standing[] = $layer;
            } else {
                $this->moving[] = $layer;
            }
        }
    }

    /**
     * Adds the filters that make a shot's picture, without an end: whoever takes it says how many frames.
     *
     * @return string the label on which it comes
     */
    public static function picture(FilterGraph $graph, ShotSpec $spec): string
    {
        return $graph->add((new self($graph, $spec))->composed());
    }

    private function composed(): FilterChain
    {
        // A shadow that falls on what stands is put together with it.
        $first = $this->moving[0] ?? null;
        $shadowed = $first !== null && $first->motion === null ? $first : null;
        $chain = $this->base($shadowed);
        foreach ($this->moving as $i => $layer) {
            $chain = $layer === $shadowed ? $chain : $this->shadow($chain, $layer);
            $below = $this->moving[$i - 1] ?? null;
            if ($below?->motion !== null && self::goesAlong($layer)) {
                // What is drawn over a picture goes the same way, so it was drawn on it before.
                continue;
            }
            $above = $this->moving[$i + 1] ?? null;
            $above = $above !== null && self::goesAlong($above) ? $above : null;
            $chain = match (true) {
                $layer->motion?->part !== null => $this->over(
                    $chain, $this->chains->zoomed($layer, $above), $layer, $this->spec->skip,
                ),
                $layer->source instanceof AnnotationLayer => $this->chains->marked($chain, $layer, $layer->source),
                default => $this->over($chain, $this->chains->layer($layer, $above), $layer, $this->spec->skip),
            };
        }

        return $chain;
    }

    /** Marks that go the way of what they are drawn on. */
    private static function goesAlong(Layer $layer): bool
    {
        return $layer->source instanceof AnnotationLayer && $layer->motion !== null;
    }

    /** Whether a layer is the same on every frame of a shot; marks are when nothing of them comes, goes or moves. */
    private function stands(Layer $layer): bool
    {
        return $layer->source instanceof AnnotationLayer
            ? $layer->motion === null && $layer->source->stand($this->spec->skip, $this->spec->skip + $this->spec->frames)
            : $layer->stands();
    }

    /**
     * What lies below everything that is laid over it frame by frame. The first of what moves is that itself where it fills the
     * frame, and is taken out then.
     *
     * @param  Layer|null  $shadowed  whose shadow falls on what stands
     */
    private function base(?Layer $shadowed): FilterChain
    {
        $first = $this->standing[0] ?? null;
        if ($first !== null && self::isOpaque($first) && $first->source instanceof Still && $first->source->kind->isOpaque()) {
            $chain = $this->padded($this->chains->opaque($first), $first->rect);
            foreach (array_slice($this->standing, 1) as $layer) {
                $chain = $this->standing($chain, $layer);
            }

            return $this->chains->repeated($this->shadow($chain, $shadowed));
        }
        $below = $this->moving[0] ?? null;
        if ($this->standing === [] && $below !== null && self::isOpaque($below)) {
            if ($below->source instanceof TrackAt && $below->motion === null) {
                array_shift($this->moving);

                return $this->padded($this->chains->layer($below), $below->rect);
            }
            if ($this->fills($below)) {
                // What is zoomed hides everything below it.
                array_shift($this->moving);
                $above = isset($this->moving[0]) && self::goesAlong($this->moving[0]) ? array_shift($this->moving) : null;

                return $this->chains->zoomed($below, $above)->then('setsar', 1)->then('format', 'yuv420p');
            }
        }
        $frame = $this->spec->picture->frame;
        $chain = FilterChain::source(
            'color', c: "0x{$this->spec->picture->ground}", s: "{$frame->width}x{$frame->height}", r: $this->spec->rate->fps,
        )->then('format', 'yuv420p');
        foreach ($this->standing as $layer) {
            $chain = $this->standing($chain, $layer);
        }

        return $this->shadow($chain, $shadowed);
    }

    private static function isOpaque(Layer $layer): bool
    {
        return $layer->edge === null && $layer->opacity === 1.0;
    }

    /** Whether a layer that is zoomed fills the frame all the way. */
    private function fills(Layer $layer): bool
    {
        $frame = $this->spec->picture->frame;

        return $layer->motion?->part !== null &&
            $layer->motion->from == $layer->rect &&
            $layer->rect == new PixelRect(0, 0, $frame->width, $frame->height);
    }

    /** The shadow of a layer laid over what is below. */
    private function shadow(FilterChain $below, ?Layer $layer): FilterChain
    {
        $edge = $layer?->edge;
        if ($layer === null || $edge === null || $edge->shadow === 0) {
            return $below;
        }
        $motion = $layer->motion;
        $from = $motion === null ? null : $edge->shadowRect($motion->from);
        $drawn = new Layer(
            $layer->source,
            $edge->shadowRect($layer->rect),
            motion: $from === null ? null : new Motion($from, $motion->frames, $motion->ease),
        );

        return $this->over($below, $this->chains->shadow($layer, $drawn), $drawn, $this->spec->skip);
    }

    private function standing(FilterChain $chain, Layer $layer): FilterChain
    {
        return $layer->source instanceof AnnotationLayer
            ? $this->chains->marked($chain, $layer, $layer->source)
            : $this->over($chain, $this->chains->still($layer), $layer, 0);
    }

    /** Lays one chain over another. */
    private function over(FilterChain $below, FilterChain $above, Layer $layer, int $skip): FilterChain
    {
        [$b, $a] = [$this->graph->label(), $this->graph->label()];
        $this->graph->add($below, $b);
        $this->graph->add($above, $a);
        $motion = $layer->motion;
        // `overlay` counts frames from 1, `scale` from 0.
        $place = $motion === null
            ? [$layer->rect->x, $layer->rect->y]
            : [
                'x' => Expression::way($motion, $motion->from->x, $layer->rect->x, $skip - 1),
                'y' => Expression::way($motion, $motion->from->y, $layer->rect->y, $skip - 1),
            ];
        // With colours at half the size only every other pixel could be a place.
        $isMoving = $motion !== null && $motion->from != $layer->rect;
        $format = $isMoving ? 'yuv444' : 'yuv420';
        $chain = FilterChain::from($b, $a)->then('overlay', ...[...$place, 'format' => $format, 'eof_action' => 'repeat']);

        return $isMoving ? $chain->then('format', 'yuv420p') : $chain;
    }

    private function padded(FilterChain $chain, PixelRect $rect): FilterChain
    {
        $frame = $this->spec->picture->frame;

        return $rect->width === $frame->width && $rect->height === $frame->height ? $chain : $chain->then(
            'pad', $frame->width, $frame->height, $rect->x, $rect->y, color: "0x{$this->spec->picture->ground}",
        );
    }
}
