<?php

declare(strict_types=1);

namespace OpenReel\Core\Render;

use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\AnnotationLayer;
use OpenReel\Core\Picture\Crop;
use OpenReel\Core\Picture\Fit;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\Motion;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\TrackAt;

/**
 * Layers as a filter graph of the encoder. What stands and is not touched by anything that moves below it is put together
 * once and repeated from memory; the rest is laid over it frame by frame.
 */
final class LayerGraph
{
    /** HD colour (ITU-R BT.709), whatever matrix the source has. */
    private const COLOUR = 'out_color_matrix=bt709:out_range=tv';

    /** @var list<string> */
    private array $inputs = [];

    private int $count = 0;

    private int $labels = 0;

    /** @var list<string> */
    private array $chains = [];

    /** @return list<string> arguments that name the inputs */
    public function inputs(): array
    {
        return $this->inputs;
    }

    public function text(): string
    {
        return implode(';', $this->chains);
    }

    /** @param  string  $chain  filters with their labels */
    public function chain(string $chain): void
    {
        $this->chains[] = $chain;
    }

    /** @return string a label nobody else has */
    public function label(): string
    {
        return 'n'.++$this->labels;
    }

    /**
     * Adds the filters that make a shot's picture, without an end: whoever takes it says how many frames.
     *
     * @return string the label on which it comes
     */
    public function picture(ShotSpec $spec): string
    {
        [$standing, $moving] = self::sorted($spec);
        // A shadow that falls on what stands is put together with it.
        $shadowed = isset($moving[0]) && $moving[0]->motion === null ? $moving[0] : null;
        $chain = $this->base($spec, $standing, $moving, $shadowed);
        foreach ($moving as $i => $layer) {
            $chain = $layer === $shadowed ? $chain : $this->shadow($chain, $layer, $spec);
            $below = $moving[$i - 1] ?? null;
            $above = $moving[$i + 1] ?? null;
            if ($layer->source instanceof AnnotationLayer && $layer->motion !== null && $below?->motion !== null) {
                // What is drawn over a picture goes the same way, so it was drawn on it before.
                continue;
            }
            $above = $above?->source instanceof AnnotationLayer && $above->motion !== null ? $above : null;
            if ($layer->motion?->part !== null) {
                $chain = $this->over($chain, $this->zoomed($spec, $layer, $above), $layer, $spec->skip);
            } elseif ($layer->source instanceof AnnotationLayer) {
                $chain .= ','.$this->marks($spec, $layer, $layer->source);
            } else {
                $chain = $this->over($chain, $this->layer($spec, $layer, $above), $layer, $spec->skip);
            }
        }
        $label = $this->label();
        $this->chains[] = "{$chain}[{$label}]";

        return $label;
    }

    /**
     * What can be put together once, and what has to be laid over it.
     *
     * @return array{list<Layer>, list<Layer>}
     */
    private static function sorted(ShotSpec $spec): array
    {
        $standing = $moving = [];
        foreach ($spec->picture->layers as $layer) {
            if (self::stands($layer, $spec) && array_filter($moving, fn (Layer $below): bool => $below->meets($layer)) === []) {
                $standing[] = $layer;
            } else {
                $moving[] = $layer;
            }
        }

        return [$standing, $moving];
    }

    /** Whether a layer is the same on every frame of a shot; marks are when nothing of them comes, goes or moves. */
    private static function stands(Layer $layer, ShotSpec $spec): bool
    {
        return $layer->source instanceof AnnotationLayer
            ? $layer->motion === null && $layer->source->stand($spec->skip, $spec->skip + $spec->frames)
            : $layer->stands();
    }

    /**
     * @param  list<Layer>  $standing
     * @param  list<Layer>  $moving  the first of them is taken out when the picture can begin with it
     * @param  Layer|null  $shadowed  whose shadow falls on what stands
     */
    private function base(ShotSpec $spec, array $standing, array &$moving, ?Layer $shadowed): string
    {
        $fps = $spec->rate->fps;
        $first = $standing[0] ?? null;
        if ($first !== null && $first->source instanceof Still && self::isOpaque($first)) {
            array_shift($standing);
            $size = "{$first->rect->width}:{$first->rect->height}";
            $chain =
                "[{$this->input('-i', PieceFiles::of($first->source->hash))}:v]".
                self::crop($first).
                "scale={$size}:flags=lanczos:".
                self::COLOUR.
                ',setsar=1,format=yuv420p'.
                self::pad($spec, $first->rect);
            foreach ($standing as $layer) {
                $chain = $this->standing($spec, $chain, $layer);
            }
            $chain = $this->shadow($chain, $shadowed, $spec);

            return "{$chain},loop=loop=-1:size=1,fps={$fps}";
        }
        $below = $moving[0] ?? null;
        if (
            $standing === [] &&
            $below?->source instanceof TrackAt &&
            $below->edge === null &&
            $below->opacity === 1.0 &&
            $below->motion === null
        ) {
            array_shift($moving);

            return $this->layer($spec, $below).self::pad($spec, $below->rect);
        }
        $frame = $spec->picture->frame;
        if (
            $standing === [] &&
            $below?->motion?->part !== null &&
            $below->edge === null &&
            $below->opacity === 1.0 &&
            $below->motion->from == $below->rect &&
            $below->rect == new PixelRect(0, 0, $frame->width, $frame->height)
        ) {
            // What is zoomed hides everything below it.
            array_shift($moving);
            $above = ($moving[0] ?? null)?->source instanceof AnnotationLayer && $moving[0]->motion !== null ? array_shift($moving) : null;

            return $this->zoomed($spec, $below, $above).',setsar=1,format=yuv420p';
        }
        $chain = sprintf('color=c=0x%s:s=%dx%d:r=%d,format=yuv420p', $spec->picture->ground, $frame->width, $frame->height, $fps);
        foreach ($standing as $layer) {
            $chain = $this->standing($spec, $chain, $layer);
        }

        return $this->shadow($chain, $shadowed, $spec);
    }

    /** The shadow of a layer laid over what is below. */
    private function shadow(string $below, ?Layer $layer, ShotSpec $spec): string
    {
        $edge = $layer?->edge;
        if ($layer === null || $edge === null || $edge->shadow === 0) {
            return $below;
        }
        $rect = $edge->shadowRect($layer->rect);
        $motion = $layer->motion;
        $from = $motion === null ? null : $edge->shadowRect($motion->from);
        $drawn = new Layer(
            $layer->source, $rect, motion: $from === null ? null : new Motion($from, $motion->frames, $motion->ease),
        );
        $chain = "[{$this->input('-i', PieceFiles::ofText($edge->shadowSvg($layer->rect)))}:v]format=yuva420p";
        if ($drawn->motion !== null) {
            $chain .= ",loop=loop=-1:size=1,fps={$spec->rate->fps}".self::scaled($drawn, $drawn->motion, $spec);
        }

        return $this->over($below, $chain, $drawn, $spec->skip);
    }

    /** A picture on its way from one size to another. */
    private static function scaled(Layer $layer, Motion $motion, ShotSpec $spec): string
    {
        $side = fn (int $from, int $to): string => 'round('.self::way($motion, $from, $to, $spec->skip).')';

        return ",scale=w='{$side($motion->from->width, $layer->rect->width)}':h='{$side(
            $motion->from->height,
            $layer->rect->height,
        )}':eval=frame";
    }

    private function standing(ShotSpec $spec, string $chain, Layer $layer): string
    {
        return $layer->source instanceof AnnotationLayer
            ? $chain.','.$this->marks($spec, $layer, $layer->source)
            : $this->over($chain, $this->still($layer), $layer, 0);
    }

    private static function isOpaque(Layer $layer): bool
    {
        return $layer->source instanceof Still &&
            $layer->source->kind->isOpaque() &&
            $layer->edge === null &&
            $layer->opacity === 1.0;
    }

    /** Lays one chain over another. */
    private function over(string $below, string $above, Layer $layer, int $skip): string
    {
        [$b, $a] = [$this->label(), $this->label()];
        $this->chains[] = "{$below}[{$b}]";
        $this->chains[] = "{$above}[{$a}]";
        // `overlay` counts frames from 1, `scale` from 0.
        $place =
            $layer->motion === null
                ? "{$layer->rect->x}:{$layer->rect->y}"
                : "x='round(".
                    self::way($layer->motion, $layer->motion->from->x, $layer->rect->x, $skip - 1).
                    ")':y='round(".
                    self::way($layer->motion, $layer->motion->from->y, $layer->rect->y, $skip - 1).
                    ")'";
        $isMoving = $layer->motion !== null && $layer->motion->from != $layer->rect;

        // With colours at half the size only every other pixel could be a place.
        return "[{$b}][{$a}]overlay={$place}:format=".($isMoving ? 'yuv444' : 'yuv420').':eof_action=repeat'.
            ($isMoving ? ',format=yuv420p' : '');
    }

    /** @param  Layer|null  $above  marks that go the same way */
    private function layer(ShotSpec $spec, Layer $layer, ?Layer $above = null): string
    {
        $chain = $layer->source instanceof TrackAt ? $this->track($spec, $layer, $layer->source) : $this->still($layer);
        if ($layer->source instanceof Still && ($layer->motion !== null || $layer->edge !== null)) {
            $chain .= ",loop=loop=-1:size=1,fps={$spec->rate->fps}";
        }
        if ($above?->source instanceof AnnotationLayer) {
            $chain .= ','.$this->marks($spec, $above, $above->source);
        }
        $chain = $this->cutOut($spec, $layer, $chain);
        if ($layer->opacity < 1.0 && $layer->source instanceof TrackAt) {
            $chain .= sprintf(',format=yuva420p,colorchannelmixer=aa=%.4F', $layer->opacity);
        }

        return $layer->motion === null ? $chain : $chain.self::scaled($layer, $layer->motion, $spec);
    }

    /** A picture with what is transparent in it. */
    private function still(Layer $layer): string
    {
        $hash = $layer->source instanceof Still ? $layer->source->hash : '';
        $opacity = $layer->opacity < 1.0 ? sprintf(',colorchannelmixer=aa=%.4F', $layer->opacity) : '';

        return "[{$this->input('-i', PieceFiles::of($hash))}:v]".
            self::crop($layer).
            "scale={$layer->rect->width}:{$layer->rect->height}:flags=lanczos:".self::COLOUR.",format=yuva420p{$opacity}";
    }

    /**
     * Whatever frame times a recording had become steady frames; the last picture stands when it ended early, even before the
     * shot begins: frames from before the start are not thrown away while reading, but here.
     */
    private function track(ShotSpec $spec, Layer $layer, TrackAt $track): string
    {
        $fps = $spec->rate->fps;
        $skipped = Tick::ofFrames($spec->skip * $track->pace, $spec->rate);
        $at = $track->at->plus($skipped->minusOrZero($track->late));
        $late = $track->late->minusOrZero($skipped);
        $input = $this->input(
            '-noaccurate_seek',
            '-seek_timestamp',
            '1',
            '-ss',
            sprintf('%.6F', $at->seconds()),
            '-i',
            PieceFiles::of($track->hash),
        );
        $size = "{$layer->rect->width}:{$layer->rect->height}";
        $filled = $layer->fit === Fit::Filled;
        // The crop belongs between scaling and converting: what is cut away is not converted.
        [$scale, $convert] = explode(
            ',',
            $track->colour->toHd($filled ? "{$size}:force_original_aspect_ratio=increase" : $size),
            2,
        );

        // A picture of a single frame, of which nobody says how long it lasts, would be none, and its piece would never end.
        $pace = $track->pace === 1 ? '' : "setpts=PTS/{$track->pace},";

        return "[{$input}:v]{$pace}fps={$fps}:eof_action=pass,tpad=stop_mode=clone:stop=-1,trim=start=0,fps={$fps}:start_time=0,".
            ($late->count === 0 ? '' : sprintf('tpad=start_mode=clone:start_duration=%.6F,', $late->seconds() / $track->pace)).
            self::crop($layer).
            $scale.
            ($filled ? ",crop={$size}" : '').
            ",{$convert}".
            ($track->adjustment === null ? '' : ','.$track->adjustment->filters()).
            ',setsar=1';
    }

    /** The border laid on a layer, and its corners made transparent, all at the layer's own size. */
    private function cutOut(ShotSpec $spec, Layer $layer, string $chain): string
    {
        if ($layer->edge !== null && $layer->edge->border > 0) {
            [$bare, $edge] = [$this->label(), $this->label()];
            $this->chains[] = "{$chain}[{$bare}]";
            $this->chains[] = "[{$this->input(
                '-i',
                PieceFiles::ofText($layer->edge->borderSvg($layer->rect)),
            )}:v]format=yuva420p,loop=loop=-1:size=1[{$edge}]";
            $chain = "[{$bare}][{$edge}]overlay=0:0:format=yuv420:shortest=1";
        }
        if ($layer->edge !== null && $layer->edge->radius > 0) {
            [$whole, $mask] = [$this->label(), $this->label()];
            $this->chains[] = "{$chain}[{$whole}]";
            $this->chains[] = "[{$this->input(
                '-i',
                PieceFiles::ofText($layer->edge->maskSvg($layer->rect)),
            )}:v]format=gray,loop=loop=-1:size=1,fps={$spec->rate->fps}[{$mask}]";
            $chain = "[{$whole}][{$mask}]alphamerge";
        }

        return $chain;
    }

    /** A picture of which another part is seen on each frame, with the marks that lie over it. */
    private function zoomed(ShotSpec $spec, Layer $layer, ?Layer $above): string
    {
        [$rect, $motion] = [$layer->rect, $layer->motion];
        $track = $layer->source instanceof TrackAt ? $layer->source : null;
        $whole = new Layer($layer->source, $rect, crop: $track?->part);
        $chain = $track !== null
            ? $this->track($spec, $whole, $track)
            : $this->still($whole).",format=yuv420p,loop=loop=-1:size=1,fps={$spec->rate->fps}";
        if ($above?->source instanceof AnnotationLayer) {
            $chain .= ','.$this->marks($spec, $above, $above->source);
        }
        $from = ($motion->part ?? Crop::whole())->within($track?->part);
        $to = ($layer->crop ?? $track->part ?? Crop::whole())->within($track?->part);
        // `perspective` counts frames from 1.
        $skip = $spec->skip - 1;
        $done = $motion === null ? '1' : $motion->ease->expression("min(1,(in+{$skip})/{$motion->frames})");
        $at = fn (string $side, float $start, float $end): string => sprintf(
            '%s*(%.6F+(%.6F)*%s)',
            $side,
            $start,
            $end - $start,
            $done,
        );
        [$left, $right] = [$at('W', $from->x, $to->x), $at('W', $from->x + $from->width, $to->x + $to->width)];
        [$top, $bottom] = [$at('H', $from->y, $to->y), $at('H', $from->y + $from->height, $to->y + $to->height)];

        return "{$chain},perspective=x0='{$left}':y0='{$top}':x1='{$right}':y1='{$top}':".
            "x2='{$left}':y2='{$bottom}':x3='{$right}':y3='{$bottom}':interpolation=linear:sense=source:eval=frame".
            ($motion === null || $motion->from == $rect ? '' : self::scaled($layer, $motion, $spec));
    }

    private function marks(ShotSpec $spec, Layer $layer, AnnotationLayer $marks): string
    {
        return 'ass=filename='.PieceFiles::inGraph(MarkScript::ofLayer($layer, $marks, $spec));
    }

    /** A number on its way, as an expression of the frame's number. */
    private static function way(Motion $motion, int $from, int $to, int $skip): string
    {
        $part = $motion->ease->expression("min(1,(n+{$skip})/{$motion->frames})");

        return $from === $to ? (string) $to : "{$from}+(".($to - $from).")*{$part}";
    }

    private static function crop(Layer $layer): string
    {
        $crop = $layer->crop;

        return $crop === null
            ? ''
            : sprintf('crop=iw*%.6F:ih*%.6F:iw*%.6F:ih*%.6F,', $crop->width, $crop->height, $crop->x, $crop->y);
    }

    private static function pad(ShotSpec $spec, PixelRect $rect): string
    {
        $frame = $spec->picture->frame;

        return $rect->width === $frame->width && $rect->height === $frame->height
            ? ''
            : sprintf(',pad=%d:%d:%d:%d:color=0x%s', $frame->width, $frame->height, $rect->x, $rect->y, $spec->picture->ground);
    }

    private function input(string ...$arguments): int
    {
        array_push($this->inputs, ...array_values($arguments));

        return $this->count++;
    }
}
