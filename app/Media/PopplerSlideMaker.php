<?php

declare(strict_types=1);

namespace App\Media;

/** Slides by poppler (PDF) and librsvg (SVG). */
final class PopplerSlideMaker implements SlideMaker
{
    /** Gives up on a page after this long; a hostile file can keep a renderer busy for ever. */
    private const SECONDS = 60;

    /** And for every page of a file that is gone through whole: a photograph of 12 megapixels takes half a second. */
    private const SECONDS_A_PAGE = 3;

    /** @param  string  $fonts  folder of the shipped typefaces */
    public function __construct(private readonly string $fonts)
    {
    }

    public function draw(string $svg, string $out): void
    {
        Program::run(
            ['rsvg-convert', '--format', 'png', '--output', $out],
            input: $svg,
            environment: ['FONTCONFIG_FILE' => $this->fontConfig()],
            seconds: self::SECONDS,
        );
    }

    public function book(array $svgs, string $out): void
    {
        Program::run(
            ['rsvg-convert', '--format', 'pdf', '--unlimited', '--output', $out, ...$svgs],
            environment: ['FONTCONFIG_FILE' => $this->fontConfig()],
            seconds: self::SECONDS + self::SECONDS_A_PAGE * count($svgs),
        );
    }

    public function drawFile(string $svg, int $width, int $height, string $out, float $seconds): void
    {
        // Read from its input the drawing has no address, so librsvg loads nothing that it refers to.
        Program::run(
            [
                'rsvg-convert',
                '--format',
                'png',
                '--keep-aspect-ratio',
                '--width',
                (string) $width,
                '--height',
                (string) $height,
                '--output',
                $out,
            ],
            input: $svg,
            environment: ['FONTCONFIG_FILE' => $this->fontConfig()],
            seconds: $seconds,
        );
    }

    public function look(string $pdf): PdfFacts
    {
        try {
            $facts = Program::run(['pdfinfo', $pdf], seconds: self::SECONDS)['output'];
        } catch (ProgramFailed $failure) {
            if (str_contains($failure->detail, 'Incorrect password')) {
                return new PdfFacts(0, true);
            }
            throw $failure;
        }

        return new PdfFacts(preg_match('/^Pages:\s+(\d+)/m', $facts, $m) === 1 ? (int) $m[1] : 0, false);
    }

    public function page(string $pdf, int $page, int $width, int $height, string $out): void
    {
        // pdftoppm adds the extension by itself. Compression of its own would take longer than the drawing.
        Program::run(
            [
                'pdftoppm',
                '-png',
                '-f',
                (string) $page,
                '-l',
                (string) $page,
                '-singlefile',
                '-cropbox',
                ...$this->box($pdf, $page, $width, $height),
                $pdf,
                (string) preg_replace('/\.png$/', '', $out),
            ],
            seconds: self::SECONDS,
        );
    }

    public function looks(string $pdf, int $pages): array
    {
        $folder = sys_get_temp_dir().'/reel-looks-'.bin2hex(random_bytes(6));
        mkdir($folder);
        try {
            Program::run(
                ['pdftoppm', '-gray', '-scale-to-x', '8', '-scale-to-y', '8', $pdf, "{$folder}/page"],
                seconds: self::SECONDS + $pages * self::SECONDS_A_PAGE,
            );
            $files = glob("{$folder}/*.pgm") ?: [];

            return array_map(
                fn (string $file): array => array_values(unpack('C*', substr((string) file_get_contents($file), -64)) ?: []),
                $files,
            );
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    public function words(string $pdf, int $pages): array
    {
        $text = Program::run(['pdftotext', '-enc', 'UTF-8', $pdf, '-'], seconds: self::SECONDS + $pages * self::SECONDS_A_PAGE)[
            'output'
        ];
        $found = explode("\f", mb_scrub($text, 'UTF-8'));
        array_pop($found);

        return array_map(fn (string $page): string => trim((string) preg_replace('/[^\S\n]+/u', ' ', $page)), $found);
    }

    /**
     * Scaled along the side that meets the box first, so that the page keeps its shape.
     *
     * @return list<string>
     */
    private function box(string $pdf, int $page, int $width, int $height): array
    {
        $facts = Program::run(['pdfinfo', '-f', (string) $page, '-l', (string) $page, $pdf], seconds: self::SECONDS)['output'];
        preg_match('/^Page\s+\d+\s+size:\s+([\d.]+) x ([\d.]+)/m', $facts, $size);
        preg_match('/^Page\s+\d+\s+rot:\s+(\d+)/m', $facts, $rotation);
        [$w, $h] = [(float) ($size[1] ?? 16), (float) ($size[2] ?? 9)];
        [$w, $h] = ((int) ($rotation[1] ?? 0)) % 180 === 90 ? [$h, $w] : [$w, $h];

        return $w / max(0.01, $h) >= $width / $height
            ? ['-scale-to-x', (string) $width, '-scale-to-y', '-1']
            : ['-scale-to-x', '-1', '-scale-to-y', (string) $height];
    }

    /** The shipped typefaces beside those of the machine. */
    private function fontConfig(): string
    {
        $file = storage_path('framework/fonts.conf');
        $cache = storage_path('framework/cache/fonts');
        $says = '<?xml version="1.0"?><!DOCTYPE fontconfig SYSTEM "fonts.dtd"><fontconfig><include '
            ."ignore_missing=\"yes\">/etc/fonts/fonts.conf</include><dir>{$this->fonts}</dir>"
            ."<cachedir>{$cache}</cachedir></fontconfig>";
        if (! is_dir($cache)) {
            @mkdir($cache, 0o755, true);
        }
        if (@file_get_contents($file) !== $says) {
            file_put_contents($file, $says);
        }

        return $file;
    }
}
