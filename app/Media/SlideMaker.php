<?php

declare(strict_types=1);

namespace App\Media;

/** Makes pictures of pages and drawings. */
interface SlideMaker
{
    /**
     * An SVG drawing as a PNG picture of its own size, with the shipped typefaces.
     *
     * @param  string  $svg  made by the core: trusted
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function draw(string $svg, string $out): void;

    /**
     * Drawings of ours as the pages of a PDF file.
     *
     * @param  list<string>  $svgs  paths
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function book(array $svgs, string $out): void;

    /**
     * Somebody's SVG drawing as a PNG picture that fills a box; nothing it refers to is loaded.
     *
     * @param  float  $seconds  after which it is given up
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function drawFile(string $svg, int $width, int $height, string $out, float $seconds): void;

    /**
     * What a PDF file contains.
     *
     * @throws ProgramMissing|ProgramFailed when it cannot be read, or only with a password
     */
    public function look(string $pdf): PdfFacts;

    /**
     * One page as a PNG picture that fills a box of this size as far as its shape allows.
     *
     * @param  int  $page  counted from 1
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function page(string $pdf, int $page, int $width, int $height, string $out): void;

    /**
     * How bright 8 x 8 fields of every page are, 0..255, row by row.
     *
     * @param  int  $pages  how many there are: time is given by the page
     * @return list<list<int>>
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function looks(string $pdf, int $pages): array;

    /**
     * The words on every page, in reading order.
     *
     * @param  int  $pages  how many there are: time is given by the page
     * @return list<string>
     *
     * @throws ProgramMissing|ProgramFailed
     */
    public function words(string $pdf, int $pages): array;
}
