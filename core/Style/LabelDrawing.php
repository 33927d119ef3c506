<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Picture\Colour;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** A few words on a field of colour, as an SVG drawing, to be laid over the stage. */
final readonly class LabelDrawing
{
    /** Height, in parts of the frame's shorter side. */
    private const HEIGHT = 0.066;

    /** Width of a letter of the bold text face, in parts of its size: wide enough for any. */
    private const LETTER = 0.6;

    /** More is no label. */
    public const LONGEST = 60;

    public function __construct(
        private string $words,
        private Colour $colour,
        private FrameSize $frame,
        private HouseStyle $style,
    ) {
    }

    public function still(): Still
    {
        return Still::drawn(StillKind::Label, $this->svg(), $this->size());
    }

    public function svg(): string
    {
        $size = $this->size();
        [$width, $height] = [$size->width, $size->height];
        [$ink, $paper] = [$this->style->colours->ink, $this->style->colours->paper];
        $text = $ink->contrast($this->colour) > $paper->contrast($this->colour) ? $ink : $paper;

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d"><rect width="%d" height="%d" rx="%d" fill="#%s"/>'.
                '<text x="%d" y="%d" text-anchor="middle" font-family="\'%s\'" font-weight="bold" font-size="%d" fill="#%s">'
                .'%s</text></svg>',
            $width,
            $height,
            $width,
            $height,
            (int) round($height * 0.14),
            $this->colour->hex,
            intdiv($width, 2),
            (int) round($height * 0.69),
            $this->style->faces->text,
            (int) round($height * 0.56),
            $text->hex,
            htmlspecialchars($this->row(), ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
        );
    }

    private function row(): string
    {
        return mb_substr(PlainText::row($this->words), 0, self::LONGEST);
    }

    private function size(): Shape
    {
        $height = PixelRect::even(self::HEIGHT * min($this->frame->width, $this->frame->height));
        $width = PixelRect::even($height * (0.7 + 0.56 * self::LETTER * mb_strlen($this->row())));

        return Shape::of(min($width, $this->frame->width), $height);
    }
}
