<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Picture\Inset;
use OpenReel\Core\Picture\Layer;
use OpenReel\Core\Picture\PixelRect;
use OpenReel\Core\Picture\Shape;
use OpenReel\Core\Picture\Still;
use OpenReel\Core\Picture\StillKind;

/** Who is seen, and what they are: a caption low in the frame, set like the style's cards. */
final readonly class NameDrawing
{
    /** Height of the name's row, in parts of the frame's shorter side. */
    private const ROW = 0.062;

    private const LETTER = 0.58;

    private const LONGEST = 50;

    private string $name;

    private string $role;

    public function __construct(string $name, string $role, private FrameSize $frame, private HouseStyle $style)
    {
        $this->name = mb_substr(PlainText::row($name), 0, self::LONGEST);
        $this->role = mb_substr(PlainText::row($role), 0, self::LONGEST);
    }

    /** Low on the left, or on the right where the inset's usual corner is there. */
    public function layer(): Layer
    {
        $size = $this->size();
        [$width, $height] = [$size->width, $size->height];
        $margin = PixelRect::even(2 * Inset::MARGIN * min($this->frame->width, $this->frame->height));
        $isRight = $this->style->inset->corner === Corner::BottomLeft;

        return new Layer(
            Still::drawn(StillKind::Name, $this->svg(), $size),
            new PixelRect(
                $isRight ? $this->frame->width - $margin - $width : $margin,
                $this->frame->height - $margin - $height,
                $width,
                $height,
            ),
        );
    }

    public function svg(): string
    {
        $size = $this->size();
        [$width, $height] = [$size->width, $size->height];
        $row = $this->row();
        $colours = $this->style->colours;
        [$paper, $ink, $accent] = [$colours->paper->hex, $colours->ink->hex, $colours->accent->hex];
        [$ground, $text, $mark] = match ($this->style->card) {
            CardTemplate::Page => [
                "<rect width=\"{$width}\" height=\"{$height}\" fill=\"#{$paper}\"/>", $ink,
                sprintf('<rect width="%d" height="%d" fill="#%s"/>', max(2, (int) round($row * 0.13)), $height, $accent),
            ],
            CardTemplate::Shore => [
                "<rect width=\"{$width}\" height=\"{$height}\" fill=\"#{$paper}\"/>", $ink,
                sprintf('<path d="M0 %1$d C %2$d %3$d %4$d %5$d %6$d %1$d V%7$d H0 Z" fill="#%8$s"/>',
                    $height - (int) round($row * 0.14), intdiv($width, 3), $height - (int) round($row * 0.26),
                    intdiv(2 * $width, 3), $height, $width, $height, $accent),
            ],
            CardTemplate::Field => ["<rect width=\"{$width}\" height=\"{$height}\" fill=\"#{$accent}\"/>", $paper, ''],
        };
        $left = (int) round($row * 0.5);
        $drawn = $this->text($this->name, $left, (int) round($row * 0.82), (int) round($row * 0.62), $text, 600, true);
        if ($this->role !== '') {
            $drawn .= $this->text($this->role, $left, (int) round($row * 1.48), (int) round($row * 0.42), $text, 400, false);
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$width}\" height=\"{$height}\">{$ground}{$mark}{$drawn}</svg>";
    }

    private function text(string $words, int $x, int $y, int $size, string $fill, int $weight, bool $isTitle): string
    {
        return sprintf(
            '<text x="%d" y="%d" font-family="\'%s\'" font-weight="%d" font-size="%d" fill="#%s">%s</text>',
            $x,
            $y,
            $isTitle ? $this->style->faces->heading : $this->style->faces->text,
            $weight,
            $size,
            $fill,
            htmlspecialchars($words, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
        );
    }

    private function row(): int
    {
        return PixelRect::even(self::ROW * min($this->frame->width, $this->frame->height));
    }

    private function size(): Shape
    {
        $row = $this->row();
        $letters = max(0.62 * mb_strlen($this->name), 0.42 * mb_strlen($this->role)) * self::LETTER;
        $margin = 2 * Inset::MARGIN * min($this->frame->width, $this->frame->height);

        return Shape::of(
            min(PixelRect::even($row * (1.1 + $letters)), PixelRect::even($this->frame->width - 2 * $margin)),
            PixelRect::even($row * ($this->role === '' ? 1.3 : 1.9)),
        );
    }
}
