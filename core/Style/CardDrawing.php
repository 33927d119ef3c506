<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\Picture\FrameSize;
use OpenReel\Core\Script\CardKind;

/**
 * A card as an SVG drawing of the frame's size. Preview and export show the same picture made from it.
 *
 * Text is wrapped by the average width of the shipped faces, which overestimates on purpose; what still does not fit
 * is set smaller, and at last cut off, which `isCutOff` tells.
 */
final readonly class CardDrawing
{
    /** Width of an average letter in em, over both shipped faces. */
    private const LETTER = 0.53;

    private const LEADING = 1.18;

    /** Sizes of the title that are tried, in parts of the frame's shorter side. */
    private const TITLE_SIZES = [0.115, 0.095, 0.08, 0.066, 0.055];

    private const TITLE_ROWS = 3;

    private const QUOTED_SIZES = [0.085, 0.07, 0.058, 0.05];

    private const QUOTED_ROWS = 6;

    /** What stands over a question, by the film's language. */
    private const ASKING = ['en' => 'Pause and think', 'de' => 'Kurz nachgedacht', 'fr' => 'Prenez le temps de réfléchir',
        'es' => 'Párese a pensar'];

    private const SMALL_SIZES = [0.045, 0.038];

    private const SMALL_ROWS = 4;

    /** Kept free at each side, in parts of the shorter side: outside it, EBU R95's graphics-safe area ends at 5 %. */
    private const MARGIN = 0.1;

    /**
     * @param  list<string>  $title  rows
     * @param  list<string>  $small  rows
     */
    private function __construct(
        private FrameSize $frame,
        private HouseStyle $style,
        private array $title,
        private int $titleSize,
        private array $small,
        private int $smallSize,
        public bool $isCutOff,
        private CardKind $kind,
        private ?int $left = null,
        private int $seconds = 0,
    ) {
    }

    /** @param  string  $text  what stands below the title, in smaller type; rows stay rows */
    public static function of(
        FrameSize $frame,
        HouseStyle $style,
        string $title,
        string $text,
        CardKind $kind = CardKind::Opening,
    ): self {
        $isQuoted = $kind === CardKind::Quotation && trim($text) !== '';
        // What is quoted is the larger; who said it stands below.
        [$title, $text] = $isQuoted ? [$text, trim($title) === '' ? '' : "— {$title}"] : [$title, $text];
        $sizes = $isQuoted ? self::QUOTED_SIZES : self::TITLE_SIZES;
        $most = $isQuoted ? self::QUOTED_ROWS : self::TITLE_ROWS;
        $side = min($frame->width, $frame->height);
        $width = $frame->width - 2 * self::MARGIN * $side;
        [$titleRows, $titleSize, $titleCut] = self::fit($title, $width, $sizes, $most, $side);
        [$smallRows, $smallSize, $smallCut] = self::fit($text, $width, self::SMALL_SIZES, self::SMALL_ROWS, $side);

        return new self($frame, $style, $titleRows, $titleSize, $smallRows, $smallSize, $titleCut || $smallCut, $kind);
    }

    /** The same with so many of its seconds left. */
    public function counting(int $left, int $seconds): self
    {
        return new self(
            $this->frame, $this->style, $this->title, $this->titleSize, $this->small, $this->smallSize, $this->isCutOff,
            $this->kind, $left, $seconds,
        );
    }

    public function svg(): string
    {
        [$w, $h] = [$this->frame->width, $this->frame->height];
        $template = $this->style->card;
        $side = min($w, $h);
        $margin = (int) round(self::MARGIN * $side);
        $paper = '#'.$this->style->colours->paper->hex;
        $ink = '#'.$this->style->colours->ink->hex;
        $accent = '#'.$this->style->colours->accent->hex;
        $titleHeight = (int) round(count($this->title) * $this->titleSize * self::LEADING);
        $smallHeight = (int) round(count($this->small) * $this->smallSize * self::LEADING * 1.15);
        $gap = $this->small === [] ? 0 : (int) round(0.05 * $side);
        $body = match ($template) {
            CardTemplate::Page => $this->page(
                $paper,
                $ink,
                $accent,
                $margin,
                (int) round(($h - $titleHeight - $gap - $smallHeight) / 2),
                $titleHeight + $gap,
            ),
            CardTemplate::Shore => $this->shore($paper, $ink, $accent, $margin, (int) round(0.4 * $h - $titleHeight / 2)),
            CardTemplate::Field => $this->field(
                $accent,
                $paper,
                (int) round(($h - $titleHeight - $gap - $smallHeight) / 2),
                $titleHeight + $gap,
            ),
        };

        $body .= $this->countDown($template === CardTemplate::Page ? $accent : $paper);

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}\" height=\"{$h}\" viewBox=\"0 0 {$w} {$h}\">{$body}</svg>";
    }

    private function page(string $paper, string $ink, string $accent, int $margin, int $top, int $below): string
    {
        $rule = (int) round($margin * 0.09);
        $above = $top - 3 * $rule - (int) round(0.4 * $this->titleSize);

        return $this->ground($paper).
            ($this->isSaidAbove()
                ? $this->above($margin, $above, $accent, 'start')
                : sprintf(
                    '<rect x="%d" y="%d" width="%d" height="%d" fill="%s"/>',
                    $margin,
                    $above,
                    2 * $margin,
                    $rule,
                    $accent,
                )).
            $this->rows($this->title, $this->titleSize, $this->style->faces->heading, 600, $ink, $margin, $top, 'start').
            $this->rows(
                $this->small,
                $this->smallSize,
                $this->style->faces->text,
                400,
                $ink,
                $margin,
                $top + $below,
                'start',
                1.15,
            );
    }

    private function shore(string $paper, string $ink, string $accent, int $margin, int $top): string
    {
        [$w, $h] = [$this->frame->width, $this->frame->height];
        $y = (int) round(0.68 * $h);
        $swell = (int) round(0.05 * $h);
        $wave = sprintf(
            '<path d="M0 %d C %d %d %d %d %d %d S %d %d %d %d V%d H0 Z" fill="%s"/>',
            $y,
            intdiv($w, 6),
            $y - $swell,
            intdiv($w, 3),
            $y - $swell,
            intdiv($w, 2),
            $y,
            intdiv(5 * $w, 6),
            $y + $swell,
            $w,
            $y,
            $h,
            $accent,
        );

        return $this->ground($paper).
            $wave.
            $this->above($margin, $top - (int) round(0.5 * $this->titleSize), $accent, 'start').
            $this->rows($this->title, $this->titleSize, $this->style->faces->heading, 600, $ink, $margin, $top, 'start').
            $this->rows(
                $this->small,
                $this->smallSize,
                $this->style->faces->text,
                400,
                $paper,
                $margin,
                $y + 2 * $swell,
                'start',
                1.15,
            );
    }

    private function field(string $accent, string $paper, int $top, int $below): string
    {
        $middle = intdiv($this->frame->width, 2);

        return $this->ground($accent).
            $this->above($middle, $top - (int) round(0.5 * $this->titleSize), $paper, 'middle').
            $this->rows($this->title, $this->titleSize, $this->style->faces->heading, 600, $paper, $middle, $top, 'middle').
            $this->rows(
                $this->small,
                $this->smallSize,
                $this->style->faces->text,
                400,
                $paper,
                $middle,
                $top + $below,
                'middle',
                1.15,
            );
    }

    private function isSaidAbove(): bool
    {
        return $this->kind === CardKind::Question || $this->kind === CardKind::Quotation;
    }

    /** What a question is, or the mark of a quotation, over the title. */
    private function above(int $x, int $bottom, string $fill, string $anchor): string
    {
        if (! $this->isSaidAbove()) {
            return '';
        }
        $isQuoted = $this->kind === CardKind::Quotation;
        $side = min($this->frame->width, $this->frame->height);
        $says = $isQuoted ? '“' : self::ASKING[$this->style->language->value] ?? self::ASKING['en'];
        $size = (int) round(($isQuoted ? 0.2 : 0.042) * $side);

        return sprintf(
            '<text x="%d" y="%d" font-family="\'%s\'" font-weight="600" font-size="%d" fill="%s" text-anchor="%s">%s</text>',
            $x,
            // Most of a quotation mark's height is empty.
            $bottom + ($isQuoted ? (int) round(0.5 * $size) : 0),
            $isQuoted ? $this->style->faces->heading : $this->style->faces->text,
            $size,
            $fill,
            $anchor,
            $says,
        );
    }

    /** Seconds that are left, in a ring that goes as they do. */
    private function countDown(string $fill): string
    {
        if ($this->left === null) {
            return '';
        }
        $side = min($this->frame->width, $this->frame->height);
        $radius = (int) round(0.07 * $side);
        $width = (int) round(0.012 * $side);
        $margin = (int) round(self::MARGIN * $side);
        [$x, $y] = [$this->frame->width - $margin - $radius, $this->frame->height - $margin - $radius];
        $round = 2 * M_PI * $radius;
        $part = $this->seconds > 0 ? $this->left / $this->seconds : 0.0;
        $circle = sprintf(
            'cx="%d" cy="%d" r="%d" fill="none" stroke="%s" stroke-width="%d"', $x, $y, $radius, $fill, $width,
        );

        return "<circle {$circle} stroke-opacity=\"0.25\"/>".
            sprintf(
                '<circle %s stroke-dasharray="%.1F %.1F" transform="rotate(-90 %d %d)"/>',
                $circle,
                $part * $round,
                $round,
                $x,
                $y,
            ).
            sprintf(
                '<text x="%d" y="%d" font-family="\'%s\'" font-weight="bold" font-size="%d" fill="%s" text-anchor="middle">'
                    .'%d</text>',
                $x,
                $y + (int) round(0.35 * $radius),
                $this->style->faces->text,
                $radius,
                $fill,
                $this->left,
            );
    }

    private function ground(string $colour): string
    {
        return "<rect width=\"{$this->frame->width}\" height=\"{$this->frame->height}\" fill=\"{$colour}\"/>";
    }

    /** @param  list<string>  $rows */
    private function rows(
        array $rows,
        int $size,
        string $face,
        int $weight,
        string $fill,
        int $x,
        int $top,
        string $anchor,
        float $more = 1.0,
    ): string {
        $out = '';
        foreach ($rows as $i => $row) {
            $baseline = (int) round($top + $size * 0.9 + $i * $size * self::LEADING * $more);
            $out .= sprintf(
                '<text x="%d" y="%d" font-family="\'%s\'" font-weight="%d" font-size="%d" fill="%s" text-anchor="%s" '
                    .'xml:space="preserve">%s</text>',
                $x,
                $baseline,
                $face,
                $weight,
                $size,
                $fill,
                $anchor,
                htmlspecialchars(PlainText::row($row), ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
            );
        }

        return $out;
    }

    /**
     * @param  list<float>  $sizes
     * @return array{list<string>, int, bool} rows, type size in pixels, whether something had to be cut off
     */
    private static function fit(string $text, float $width, array $sizes, int $mostRows, int $side): array
    {
        $rows = [];
        $size = 1;
        foreach ($sizes as $part) {
            $size = (int) round($part * $side);
            $rows = self::wrap($text, max(4, (int) floor($width / ($size * self::LETTER))));
            if (count($rows) <= $mostRows) {
                return [$rows, $size, false];
            }
        }
        $kept = array_slice($rows, 0, $mostRows);
        $kept[$mostRows - 1] = rtrim(mb_substr($kept[$mostRows - 1], 0, -1)).'…';

        return [array_values($kept), $size, true];
    }

    /** @return list<string> */
    private static function wrap(string $text, int $letters): array
    {
        $rows = [];
        foreach (preg_split('/\R/u', trim($text)) ?: [] as $paragraph) {
            $row = '';
            foreach (preg_split('/\s+/u', trim($paragraph)) ?: [] as $word) {
                foreach (mb_str_split($word, max(1, $letters)) as $piece) {
                    if ($row !== '' && mb_strlen("{$row} {$piece}") > $letters) {
                        $rows[] = $row;
                        $row = '';
                    }
                    $row .= ($row === '' ? '' : ' ').$piece;
                }
            }
            if ($row !== '') {
                $rows[] = $row;
            }
        }

        return $rows;
    }
}
