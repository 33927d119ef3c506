<?php

declare(strict_types=1);

namespace OpenReel\Core\Picture;

/**
 * What is where in the frame. Slides are shown whole inside their rectangle; the camera fills its rectangle, cropped
 * evenly where the shapes differ. Whatever neither covers is the ground. The logo lies over everything.
 */
final readonly class PicturePlan
{
    /** The colour behind slides and camera unless a style says otherwise, as RRGGBB. */
    public const GROUND = '1B2430';

    /** A camera alone fills the frame when no more than this part of it is cropped away; 4:3 in 16:9 loses a quarter. */
    private const MOST_CROPPED = 0.26;

    /** @param  InsetFrame|null  $insetFrame  how the camera is cut out, when it is an inset that is not a plain rectangle */
    private function __construct(
        public FrameSize $frame,
        public Layout $layout,
        public ?PixelRect $slide,
        public ?PixelRect $camera,
        public ?InsetFrame $insetFrame,
        public ?Logo $logo,
        public string $ground,
    ) {
    }

    /** @param  Layout  $wish  what cannot be had (no camera, no slide) falls back to what can be shown */
    public static function for(FrameSize $frame, Layout $wish, Inset $inset, ?Shape $slide, ?Shape $camera, ?Logo $logo = null, string $ground = self::GROUND): self
    {
        $layout = $wish->possibleWith($slide !== null, $camera !== null);
        $slideRect = $slide !== null && $layout !== Layout::CameraAlone ? PixelRect::contained($slide->aspect(), $frame) : null;
        $cameraRect = match (true) {
            $camera === null, $layout === Layout::SlideAlone => null,
            $layout === Layout::SlideWithInset => $inset->rect($frame, $camera),
            default => self::wholeFrame($frame, $camera),
        };
        $insetFrame = $cameraRect !== null && $layout === Layout::SlideWithInset ? InsetFrame::of($inset, $cameraRect, $frame) : null;

        return new self($frame, $layout, $slideRect, $cameraRect, $insetFrame, $logo, $ground);
    }

    private static function wholeFrame(FrameSize $frame, Shape $camera): PixelRect
    {
        $ratio = $camera->aspect() / $frame->aspect();
        $cropped = 1 - min($ratio, 1 / $ratio);

        return $cropped <= self::MOST_CROPPED
            ? new PixelRect(0, 0, $frame->width, $frame->height)
            : PixelRect::contained($camera->aspect(), $frame);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'frame' => ['width' => $this->frame->width, 'height' => $this->frame->height],
            'layout' => $this->layout->value,
            'ground' => $this->ground,
            'slide' => $this->slide?->toArray(),
            'camera' => $this->camera?->toArray(),
            'inset_frame' => $this->insetFrame?->toArray(),
            'logo' => $this->logo?->rect($this->frame)->toArray(),
        ];
    }
}
