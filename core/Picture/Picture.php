<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Annotation\Annotation;

/** What is seen: layers, bottom to top, on a ground. */
final readonly class Picture
{
    /** The colour behind everything unless a style says otherwise, as RRGGBB. */
    public const GROUND = '1B2430';

    /** A camera alone fills the frame when no more than this part of it is cropped away; 4:3 in 16:9 loses a quarter. */
    private const MOST_CROPPED = 0.26;

    /** @param  list<Layer>  $layers */
    public function __construct(public FrameSize $frame, public string $ground, public array $layers)
    {
    }

    /**
     * What a layout makes of a stage and a camera. The stage is shown whole; a camera fills its rectangle, cropped evenly where
     * the shapes differ. What is drawn over the stage lies under the inset, the logo over everything but keys.
     *
     * @param  Layout  $wish  what cannot be had (no camera, no stage) falls back to what can be shown
     * @param  Still|TrackAt|null  $stage  a slide or a page of the board; a screen
     * @param  list<Annotation>  $marks  over the stage
     * @param  Zoom  $zoom  of the stage, and of what is drawn over it
     * @param  Still|null  $backdrop  fills the frame behind them, cropped evenly where it has another shape
     */
    public static function of(
        FrameSize $frame,
        Layout $wish,
        Inset $inset,
        Still|TrackAt|null $stage,
        ?TrackAt $camera,
        ?LogoPlacement $logo = null,
        string $ground = self::GROUND,
        array $marks = [],
        Zoom $zoom = new Zoom(),
        ?Still $backdrop = null,
    ): self {
        $layout = $wish->possibleWith($stage !== null, $camera !== null);
        $sides = $layout === Layout::SideBySide && $stage !== null
            ? SideBySide::of($frame, self::shape($stage), $inset->corner)
            : null;
        $layers = [];
        if ($stage !== null && $layout !== Layout::CameraAlone) {
            $rect = $sides->stage ?? PixelRect::contained(self::shape($stage)->aspect(), $frame);
            $layers[] = $zoom->layer($stage, $rect, $stage instanceof TrackAt ? $stage->part : null);
            if ($marks !== []) {
                $layers[] = $zoom->layer(new AnnotationLayer($marks), $rect, null);
            }
        }
        if ($camera !== null && $layout !== Layout::SlideAlone) {
            $isInset = $layout === Layout::SlideWithInset;
            $rect = match (true) {
                $sides !== null => $sides->camera,
                $isInset => $inset->rect($frame, $camera->seen()),
                default => self::wholeFrame($frame, $camera->seen()),
            };
            $layers[] = new Layer(
                $camera,
                $rect,
                Fit::Filled,
                $isInset ? Edge::of($inset, $rect, $frame) : null,
                $camera->part?->narrowed($camera->shape, $rect->width / $rect->height),
            );
        }
        if ($logo !== null) {
            $layers[] = new Layer(new Still(StillKind::Logo, $logo->hash, $logo->shape, $logo->hash), $logo->rect($frame));
        }

        return new self($frame, $ground, $backdrop === null ? $layers : self::withBackdrop($backdrop, $frame, $layers));
    }

    /**
     * @param  list<Layer>  $layers
     * @return list<Layer> with something behind them, where anything of it is seen
     */
    private static function withBackdrop(Still $backdrop, FrameSize $frame, array $layers): array
    {
        $all = new PixelRect(0, 0, $frame->width, $frame->height);
        if ($layers !== [] && $layers[0]->rect == $all && $layers[0]->edge === null) {
            return $layers;
        }
        $crop = Crop::whole()->narrowed($backdrop->shape, $frame->aspect());
        $isWhole = $crop->width >= 1.0 && $crop->height >= 1.0;

        return [new Layer($backdrop, $all, crop: $isWhole ? null : $crop), ...$layers];
    }

    /** The same with something laid over everything. */
    public function under(Layer $layer): self
    {
        return new self($this->frame, $this->ground, [...$this->layers, $layer]);
    }

    /** The same with something laid over the stage and what is drawn on it, under everything else. */
    public function overStage(Layer ...$laid): self
    {
        $stage = 0;
        foreach ($this->layers as $i => $layer) {
            $stage = self::isStage($layer) || $layer->source instanceof AnnotationLayer ? $i + 1 : $stage;
        }

        return new self($this->frame, $this->ground, [
            ...array_slice($this->layers, 0, $stage), ...array_values($laid), ...array_slice($this->layers, $stage),
        ]);
    }

    /** Where the stage lies; null when none is seen. */
    public function stageRect(): ?PixelRect
    {
        foreach ($this->layers as $layer) {
            if (self::isStage($layer)) {
                return $layer->rect;
            }
        }

        return null;
    }

    private static function isStage(Layer $layer): bool
    {
        return $layer->source instanceof Still && $layer->source->kind->isStage()
            || $layer->source instanceof TrackAt && $layer->source->kind === TrackKind::Screen;
    }

    /** @return list<string> hashes of the files it is made from */
    public function files(): array
    {
        return array_values(
            array_unique(array_merge([], ...array_map(fn (Layer $l): array => $l->source->files(), $this->layers))),
        );
    }

    /** @return array<string, mixed> everything that decides what is seen */
    public function key(): array
    {
        return [
            'width' => $this->frame->width,
            'height' => $this->frame->height,
            'ground' => $this->ground,
            'layers' => array_map(fn (Layer $l): array => ['source' => $l->source->key()] + $l->toArray(), $this->layers),
        ];
    }

    private static function shape(Still|TrackAt $stage): Shape
    {
        return $stage instanceof TrackAt ? $stage->seen() : $stage->shape;
    }

    private static function wholeFrame(FrameSize $frame, Shape $camera): PixelRect
    {
        $ratio = $camera->aspect() / $frame->aspect();
        $cropped = 1 - min($ratio, 1 / $ratio);

        return $cropped <= self::MOST_CROPPED
            ? new PixelRect(0, 0, $frame->width, $frame->height)
            : PixelRect::contained($camera->aspect(), $frame);
    }
}
