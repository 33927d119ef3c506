<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** What lies behind everything: one colour, or one that goes over into another from corner to corner. */
final readonly class BackdropDrawing
{
    public function __construct(private Colour $from, private ?Colour $to, private FrameSize $frame)
    {
    }

    /** As a house style has it; null for the ground alone. */
    public static function usual(HouseStyle $style, FrameSize $frame): ?self
    {
        return $style->hasGradient ? new self($style->colours->ground, $style->colours->accent, $frame) : null;
    }

    public function still(): Still
    {
        return Still::drawn(StillKind::Backdrop, $this->svg(), Shape::of($this->frame->width, $this->frame->height));
    }

    public function svg(): string
    {
        [$width, $height] = [$this->frame->width, $this->frame->height];
        $gradient = $this->to === null ? '' : '<defs><linearGradient id="g" x1="0" y1="0" x2="1" y2="1">'.
            "<stop offset=\"0\" stop-color=\"#{$this->from->hex}\"/>".
            "<stop offset=\"1\" stop-color=\"#{$this->to->hex}\"/></linearGradient></defs>";
        $fill = $this->to === null ? "#{$this->from->hex}" : 'url(#g)';

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$width}\" height=\"{$height}\">{$gradient}".
            "<rect width=\"{$width}\" height=\"{$height}\" fill=\"{$fill}\"/></svg>";
    }
}
