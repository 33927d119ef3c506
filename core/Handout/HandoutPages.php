<?php

declare(strict_types=1);

namespace OpenReel\Core\Handout;

use OpenReel\Core\Annotation\Figure;
use OpenReel\Core\Annotation\Outline;

/** The pages of a handout as SVG: A4, in points. */
final class HandoutPages
{
    private const WIDTH = 595;

    private const HEIGHT = 842;

    private const MARGIN = 48;

    private const GAP = 18;

    private const SIZE = 10.5;

    private const ROW = 15;

    /** Width of a letter of the text face on average, in parts of its size: a little more, so that no row is too long. */
    private const LETTER = 0.54;

    /** Paper is ISO 216; the ink of the theme. */
    private const INK = '1B2430';

    private const SOFT = '566070';

    /** @var list<string> */
    private array $pages = [];

    private string $page = '';

    private float $y = self::HEIGHT;

    /** @param  array<string, string>  $pictures  address of each by its hash */
    private function __construct(private readonly string $title, private readonly array $pictures)
    {
    }

    /**
     * @param  list<HandoutSlide>  $slides
     * @param  array<string, string>  $pictures  address of each by its hash
     * @return list<string>
     */
    public static function draw(string $title, array $slides, HandoutLayout $layout, array $pictures): array
    {
        $pages = new self($title, $pictures);
        $before = null;
        foreach ($slides as $slide) {
            $layout === HandoutLayout::One ? $pages->below($slide, $before) : $pages->alongside($slide, $before);
            $before = $slide->section;
        }
        $pages->turn();

        return $pages->pages;
    }

    private function below(HandoutSlide $slide, ?string $before): void
    {
        $width = self::WIDTH - 2 * self::MARGIN;
        $height = self::height($slide, $width);
        $rows = self::rows($slide->words, $width);
        $this->mustHave($height + self::ROW * (2 + min(3, count($rows))));
        $this->heading($slide, $before);
        $this->picture($slide, self::MARGIN, $width);
        $this->y += $height + self::GAP;
        $this->text($rows, self::MARGIN);
        $this->y += self::GAP;
    }

    private function alongside(HandoutSlide $slide, ?string $before): void
    {
        $width = 220;
        $left = self::MARGIN + $width + self::GAP;
        $height = self::height($slide, $width);
        $rows = self::rows($slide->words, self::WIDTH - self::MARGIN - $left);
        $this->mustHave(max($height, self::ROW * min(12, count($rows))) + 2 * self::ROW);
        $this->heading($slide, $before);
        $this->picture($slide, self::MARGIN, $width);
        $top = $this->y;
        $page = count($this->pages);
        $this->text($rows, $left);
        $this->y = ($page === count($this->pages) ? max($this->y, $top + $height) : $this->y) + self::GAP;
    }

    private function heading(HandoutSlide $slide, ?string $before): void
    {
        if ($slide->section !== $before && $slide->section !== '') {
            $this->row($slide->section, self::MARGIN, 13.0, self::INK, 'bold');
            $this->y += 6;
        }
    }

    private function picture(HandoutSlide $slide, float $x, float $width): void
    {
        $picture = $slide->picture;
        if ($picture === null || ! isset($this->pictures[$picture->hash])) {
            return;
        }
        $height = self::height($slide, $width);
        $scale = $height / Figure::UNITS;
        $ink = implode('', array_map(
            fn (Outline $o): string => sprintf(
                '<path d="%s" transform="translate(%.1F %.1F) scale(%.6F)" fill="#%s" fill-opacity="%.2F"/>',
                $o->toArray()['path'], $x, $this->y, $scale, $o->colour, $o->opacity,
            ),
            $slide->ink,
        ));
        $this->page .= sprintf(
            '<image x="%.1F" y="%.1F" width="%.1F" height="%.1F" xlink:href="%s"/>%s'
                .'<rect x="%.1F" y="%.1F" width="%.1F" height="%.1F" fill="none" stroke="#DED8CC"/>',
            $x, $this->y, $width, $height, $this->pictures[$picture->hash], $ink, $x, $this->y, $width, $height,
        );
    }

    /** @param  list<string>  $rows */
    private function text(array $rows, float $x): void
    {
        foreach ($rows as $row) {
            $this->mustHave(self::ROW);
            $this->row($row, $x, self::SIZE, self::INK);
        }
    }

    private function row(string $text, float $x, float $size, string $colour, string $weight = 'normal'): void
    {
        $this->y += self::ROW;
        $this->page .= sprintf(
            '<text x="%.1F" y="%.1F" font-family="Atkinson Hyperlegible" font-size="%.1F" font-weight="%s" fill="#%s">%s</text>',
            $x, $this->y, $size, $weight, $colour, htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8'),
        );
    }

    private function mustHave(float $height): void
    {
        if ($this->y + $height > self::HEIGHT - self::MARGIN) {
            $this->turn();
            $this->y = self::MARGIN;
            if ($this->pages === [] && $this->page === '') {
                $this->row($this->title, self::MARGIN, 18.0, self::INK, 'bold');
                $this->y += self::GAP;
            }
        }
    }

    private function turn(): void
    {
        if ($this->page === '') {
            return;
        }
        $number = count($this->pages) + 1;
        $this->pages[] = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="%dpt" height="%dpt" '
                .'viewBox="0 0 %d %d">%s<text x="%d" y="%d" text-anchor="end" font-family="Atkinson Hyperlegible" font-size="9" '
                .'fill="#%s">%d</text></svg>',
            self::WIDTH, self::HEIGHT, self::WIDTH, self::HEIGHT, $this->page, self::WIDTH - self::MARGIN,
            self::HEIGHT - self::MARGIN / 2, self::SOFT, $number,
        );
        $this->page = '';
    }

    private static function height(HandoutSlide $slide, float $width): float
    {
        $shape = $slide->picture?->shape;

        return $shape === null ? 0.0 : $width * $shape->height / $shape->width;
    }

    /**
     * @param  list<string>  $words
     * @return list<string> no longer than a row is wide
     */
    private static function rows(array $words, float $width): array
    {
        $most = (int) floor($width / (self::SIZE * self::LETTER));
        $rows = [];
        foreach ($words as $word) {
            $last = array_key_last($rows);
            if ($last !== null && mb_strlen($rows[$last]) + 1 + mb_strlen($word) <= $most) {
                $rows[$last] .= " {$word}";
            } else {
                $rows[] = $word;
            }
        }

        return array_values($rows);
    }
}
