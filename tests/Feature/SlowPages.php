<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\PdfFacts;
use App\Media\SlideMaker;

/** Draws pages as its inner one does, but takes its time over each, and counts them. */
final class SlowPages implements SlideMaker
{
    private const MICROSECONDS = 1_500_000;

    public int $drawn = 0;

    public function __construct(private readonly SlideMaker $inner)
    {
    }

    public function page(string $pdf, int $page, int $width, int $height, string $out): void
    {
        $this->drawn++;
        usleep(self::MICROSECONDS);
        $this->inner->page($pdf, $page, $width, $height, $out);
    }

    public function draw(string $svg, string $out): void
    {
        $this->inner->draw($svg, $out);
    }

    public function book(array $svgs, string $out): void
    {
        $this->inner->book($svgs, $out);
    }

    public function drawFile(string $svg, int $width, int $height, string $out, float $seconds): void
    {
        $this->inner->drawFile($svg, $width, $height, $out, $seconds);
    }

    public function look(string $pdf): PdfFacts
    {
        return $this->inner->look($pdf);
    }

    public function looks(string $pdf, int $pages): array
    {
        return $this->inner->looks($pdf, $pages);
    }

    public function words(string $pdf, int $pages): array
    {
        return $this->inner->words($pdf, $pages);
    }
}
