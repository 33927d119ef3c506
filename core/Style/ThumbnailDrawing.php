<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Picture\FrameSize;

/** A picture of a film with its title laid over, in the house style's typefaces and colours. */
final readonly class ThumbnailDrawing
{
    /** Size of the title's letters in parts of the picture's shorter side, the largest that fits. */
    private const SIZES = [0.13, 0.11, 0.09, 0.075, 0.06];

    private const MOST_ROWS = 3;

    /** Width of a letter on average, in parts of its size: wide enough for any text but shouting. */
    private const LETTER = 0.56;

    private const MARGIN = 0.06;

    public function __construct(
        private string $title,
        private string $course,
        private FrameSize $frame,
        private HouseStyle $style,
    ) {
    }

    /** @param  string  $picture  address of the picture of the film */
    public function svg(string $picture): string
    {
        [$width, $height] = [$this->frame->width, $this->frame->height];
        [$size, $rows] = $this->rows();
        $colours = $this->style->colours;
        $margin = (int) round(self::MARGIN * min($width, $height));
        $row = (int) round(1.15 * $size);
        $small = (int) round(0.5 * $size);
        $block = $row * count($rows) + ($this->course === '' ? 0 : $small + intdiv($margin, 2));
        $top = $height - $block - 2 * $margin;
        $drawn = sprintf(
            '<image width="%d" height="%d" preserveAspectRatio="xMidYMid slice" xlink:href="%s"/>'
                .'<rect y="%d" width="%d" height="%d" fill="#%s" fill-opacity="0.92"/>'
                .'<rect y="%d" width="%d" height="%d" fill="#%s"/>',
            $width, $height, $picture, $top, $width, $height - $top, $colours->paper->hex, $top, $width,
            max(3, (int) round(0.012 * $height)), $colours->accent->hex,
        );
        $y = $top + $margin + (int) round(0.82 * $size);
        foreach ($rows as $text) {
            $drawn .= self::text($text, $margin, $y, $size, $colours->ink->hex, $this->style->faces->heading, 600);
            $y += $row;
        }
        if ($this->course !== '') {
            $drawn .= self::text($this->course, $margin, $y, $small, $colours->accent->hex, $this->style->faces->text, 400);
        }

        return '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" '
            ."width=\"{$width}\" height=\"{$height}\">{$drawn}</svg>";
    }

    /** @return array{int, non-empty-list<string>} size of the letters, and the title in rows; what does not fit is cut off */
    private function rows(): array
    {
        $side = min($this->frame->width, $this->frame->height);
        $room = $this->frame->width - 2 * self::MARGIN * $side;
        $words = explode(' ', PlainText::row($this->title));
        $best = [1, ['']];
        foreach (self::SIZES as $part) {
            $size = (int) round($part * $side);
            $most = max(1, (int) floor($room / ($size * self::LETTER)));
            $rows = [''];
            foreach ($words as $word) {
                $last = count($rows) - 1;
                $longer = trim("{$rows[$last]} {$word}");
                if ($rows[$last] === '' || mb_strlen($longer) <= $most) {
                    $rows[$last] = $longer;
                } else {
                    $rows[] = $word;
                }
            }
            $best = [$size, array_map(fn (string $r): string => mb_substr($r, 0, $most), array_slice($rows, 0, self::MOST_ROWS))];
            if (count($rows) <= self::MOST_ROWS && max(array_map(mb_strlen(...), $rows)) <= $most) {
                break;
            }
        }

        return $best;
    }

    private static function text(string $words, int $x, int $y, int $size, string $fill, string $face, int $weight): string
    {
        return sprintf(
            '<text x="%d" y="%d" font-family="\'%s\'" font-weight="%d" font-size="%d" fill="#%s">%s</text>',
            $x, $y, $face, $weight, $size, $fill, htmlspecialchars($words, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
        );
    }
}
