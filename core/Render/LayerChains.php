<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Fit;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;

/** Single layers of a shot as chains of filters: each brings its layer in its own size, with what is transparent in it. */
final readonly class LayerChains
{
    /** HD colour (ITU-R BT.709), whatever matrix the source has. */
    private const COLOUR = ['out_color_matrix' => 'bt709', 'out_range' => 'tv'];

    public function __construct(private FilterGraph $graph, private ShotSpec $spec)
    {
    }

    /** @param  Layer|null  $above  marks that go the same way */
    public function layer(Layer $layer, ?Layer $above = null): FilterChain
    {
        $chain = $layer->source instanceof TrackAt ? $this->track($layer, $layer->source) : $this->still($layer);
        if ($layer->source instanceof Still && ($layer->motion !== null || $layer->edge !== null)) {
            $chain = $this->repeated($chain);
        }
        $chain = $this->cutOut($layer, $this->under($chain, $above));
        if ($layer->opacity < 1.0 && $layer->source instanceof TrackAt) {
            $chain = $chain->then('format', 'yuva420p')->then('colorchannelmixer', aa: sprintf('%.4F', $layer->opacity));
        }

        return $layer->motion === null ? $chain : $this->scaled($chain, $layer, $layer->motion);
    }

    /** A picture that fills its place, as one frame. */
    public function opaque(Layer $layer): FilterChain
    {
        return $this->picture($layer)->then('setsar', 1)->then('format', 'yuv420p');
    }

    /** A picture with what is transparent in it, as one frame. */
    public function still(Layer $layer): FilterChain
    {
        $chain = $this->picture($layer)->then('format', 'yuva420p');

        return $layer->opacity < 1.0 ? $chain->then('colorchannelmixer', aa: sprintf('%.4F', $layer->opacity)) : $chain;
    }

    /** A picture of which another part is seen on each frame, with the marks that lie over it. */
    public function zoomed(Layer $layer, ?Layer $above): FilterChain
    {
        [$rect, $motion] = [$layer->rect, $layer->motion];
        $track = $layer->source instanceof TrackAt ? $layer->source : null;
        $whole = new Layer($layer->source, $rect, crop: $track?->part);
        $chain = $track !== null
            ? $this->track($whole, $track)
            : $this->repeated($this->still($whole)->then('format', 'yuv420p'));
        $from = ($motion->part ?? Crop::whole())->within($track?->part);
        $to = ($layer->crop ?? $track->part ?? Crop::whole())->within($track?->part);
        // `perspective` counts frames from 1.
        $skip = $this->spec->skip - 1;
        $done = $motion === null ? '1' : $motion->ease->expression("min(1,(in+{$skip})/{$motion->frames})");
        $at = fn (string $side, float $start, float $end): Expression => Expression::of(
            sprintf('%s*(%.6F+(%.6F)*%s)', $side, $start, $end - $start, $done),
        );
        [$left, $right] = [$at('W', $from->x, $to->x), $at('W', $from->x + $from->width, $to->x + $to->width)];
        [$top, $bottom] = [$at('H', $from->y, $to->y), $at('H', $from->y + $from->height, $to->y + $to->height)];
        $chain = $this->under($chain, $above)->then(
            'perspective', x0: $left, y0: $top, x1: $right, y1: $top, x2: $left, y2: $bottom, x3: $right, y3: $bottom,
            interpolation: 'linear', sense: 'source', eval: 'frame',
        );

        return $motion === null || $motion->from == $rect ? $chain : $this->scaled($chain, $layer, $motion);
    }

    /** The shadow that a layer casts, in its own size; null where it casts none. */
    public function shadow(Layer $layer, Layer $drawn): FilterChain
    {
        $text = $layer->edge?->shadowSvg($layer->rect) ?? '';
        $chain = FilterChain::from($this->graph->input('-i', PieceFiles::ofText($text)))->then('format', 'yuva420p');

        return $drawn->motion === null ? $chain : $this->scaled($this->repeated($chain), $drawn, $drawn->motion);
    }

    /** What is drawn is laid over what lies below. */
    public function marked(FilterChain $below, Layer $layer, AnnotationLayer $marks): FilterChain
    {
        return $below->then('ass', filename: PieceFiles::inGraph(MarkScript::ofLayer($layer, $marks, $this->spec)));
    }

    /** One frame, again and again. */
    public function repeated(FilterChain $chain): FilterChain
    {
        return $chain->then('loop', loop: -1, size: 1)->then('fps', $this->spec->rate->fps);
    }

    private function under(FilterChain $chain, ?Layer $above): FilterChain
    {
        return $above?->source instanceof AnnotationLayer ? $this->marked($chain, $above, $above->source) : $chain;
    }

    private function picture(Layer $layer): FilterChain
    {
        $hash = $layer->source instanceof Still ? $layer->source->hash : '';
        $chain = self::cropped(FilterChain::from($this->graph->input('-i', PieceFiles::of($hash))), $layer);

        return $chain->then('scale', $layer->rect->width, $layer->rect->height, ...['flags' => 'lanczos', ...self::COLOUR]);
    }

    /**
     * Whatever frame times a recording had become steady frames; the last picture stands when it ended early, even before the
     * shot begins: frames from before the start are not thrown away while reading, but here.
     */
    private function track(Layer $layer, TrackAt $track): FilterChain
    {
        $fps = $this->spec->rate->fps;
        $skipped = Tick::ofFrames($this->spec->skip * $track->pace, $this->spec->rate);
        $at = $track->at->plus($skipped->minusOrZero($track->late));
        $late = $track->late->minusOrZero($skipped);
        $chain = FilterChain::from($this->graph->input(
            '-noaccurate_seek', '-seek_timestamp', '1', '-ss', sprintf('%.6F', $at->seconds()), '-i', PieceFiles::of($track->hash),
        ));
        if ($track->pace !== 1) {
            $chain = $chain->then('setpts', "PTS/{$track->pace}");
        }
        // A picture of a single frame, of which nobody says how long it lasts, would be none, and its piece would never end.
        $chain = $chain
            ->then('fps', $fps, eof_action: 'pass')
            ->then('tpad', stop_mode: 'clone', stop: -1)
            ->then('trim', start: 0)
            ->then('fps', $fps, start_time: 0);
        if ($late->count > 0) {
            $length = sprintf('%.6F', $late->seconds() / $track->pace);
            $chain = $chain->then('tpad', start_mode: 'clone', start_duration: $length);
        }
        $size = "{$layer->rect->width}:{$layer->rect->height}";
        $isFilled = $layer->fit === Fit::Filled;
        // The crop belongs between scaling and converting: what is cut away is not converted.
        $toHd = $track->colour->toHd($isFilled ? "{$size}:force_original_aspect_ratio=increase" : $size);
        [$scale, $convert] = explode(',', $toHd, 2);
        $chain = self::cropped($chain, $layer)->with($scale);
        if ($isFilled) {
            $chain = $chain->then('crop', $layer->rect->width, $layer->rect->height);
        }

        return $chain->with($convert)->with($track->adjustment?->filters() ?? '')->then('setsar', 1);
    }

    /** The border laid on a layer, and its corners made transparent, all at the layer's own size. */
    private function cutOut(Layer $layer, FilterChain $chain): FilterChain
    {
        if ($layer->edge !== null && $layer->edge->border > 0) {
            [$bare, $border] = [$this->graph->label(), $this->graph->label()];
            $this->graph->add($chain, $bare);
            $drawn = FilterChain::from($this->graph->input('-i', PieceFiles::ofText($layer->edge->borderSvg($layer->rect))));
            $this->graph->add($drawn->then('format', 'yuva420p')->then('loop', loop: -1, size: 1), $border);
            $chain = FilterChain::from($bare, $border)->then('overlay', 0, 0, format: 'yuv420', shortest: 1);
        }
        if ($layer->edge !== null && $layer->edge->radius > 0) {
            [$whole, $mask] = [$this->graph->label(), $this->graph->label()];
            $this->graph->add($chain, $whole);
            $drawn = FilterChain::from($this->graph->input('-i', PieceFiles::ofText($layer->edge->maskSvg($layer->rect))));
            $this->graph->add($this->repeated($drawn->then('format', 'gray')), $mask);
            $chain = FilterChain::from($whole, $mask)->then('alphamerge');
        }

        return $chain;
    }

    /** A picture on its way from one size to another. */
    private function scaled(FilterChain $chain, Layer $layer, Motion $motion): FilterChain
    {
        return $chain->then(
            'scale',
            w: Expression::way($motion, $motion->from->width, $layer->rect->width, $this->spec->skip),
            h: Expression::way($motion, $motion->from->height, $layer->rect->height, $this->spec->skip),
            eval: 'frame',
        );
    }

    private static function cropped(FilterChain $chain, Layer $layer): FilterChain
    {
        $crop = $layer->crop;
        $part = fn (string $side, float $of): string => sprintf('%s*%.6F', $side, $of);

        return $crop === null ? $chain : $chain->then(
            'crop', $part('iw', $crop->width), $part('ih', $crop->height), $part('iw', $crop->x), $part('ih', $crop->y),
        );
    }
}
