<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

use OpenReel\Core\Mark\Mark;

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
     * What a layout makes of a stage and a camera. The stage is shown whole; an inset and a camera alone fill their
     * rectangle, cropped evenly where the shapes differ. What is drawn over the stage lies under the inset, the logo over
     * everything.
     *
     * @param  Layout  $wish  what cannot be had (no camera, no stage) falls back to what can be shown
     * @param  list<Mark>  $marks
     */
    public static function of(
        FrameSize $frame,
        Layout $wish,
        Inset $inset,
        ?Still $stage,
        ?TrackAt $camera,
        ?Logo $logo = null,
        string $ground = self::GROUND,
        array $marks = [],
    ): self {
        $layout = $wish->possibleWith($stage !== null, $camera !== null);
        $layers = [];
        if ($stage !== null && $layout !== Layout::CameraAlone) {
            $rect = PixelRect::contained($stage->shape->aspect(), $frame);
            $layers[] = new Layer($stage, $rect);
            if ($marks !== []) {
                $layers[] = new Layer(new Marks($marks), $rect);
            }
        }
        if ($camera !== null && $layout !== Layout::SlideAlone) {
            $isInset = $layout === Layout::SlideWithInset;
            $rect = $isInset ? $inset->rect($frame, $camera->shape) : self::wholeFrame($frame, $camera->shape);
            $layers[] = new Layer($camera, $rect, Fit::Filled, $isInset ? Edge::of($inset, $rect, $frame) : null);
        }
        if ($logo !== null) {
            $layers[] = new Layer(new Still(StillKind::Logo, $logo->hash, $logo->shape, $logo->hash), $logo->rect($frame));
        }

        return new self($frame, $ground, $layers);
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

    private static function wholeFrame(FrameSize $frame, Shape $camera): PixelRect
    {
        $ratio = $camera->aspect() / $frame->aspect();
        $cropped = 1 - min($ratio, 1 / $ratio);

        return $cropped <= self::MOST_CROPPED
            ? new PixelRect(0, 0, $frame->width, $frame->height)
            : PixelRect::contained($camera->aspect(), $frame);
    }
}
