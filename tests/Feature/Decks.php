<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Program;

/** Tiny decks made with other programs' writers. */
final class Decks
{
    /**
     * @param  list<string>  $pages  the words on each
     * @return string path of a PDF file made by librsvg
     */
    public static function pdf(array $pages): string
    {
        return self::cached('pdf', $pages, function (string $out) use ($pages): void {
            $files = [];
            foreach ($pages as $i => $words) {
                file_put_contents(
                    $files[] = "{$out}.{$i}.svg",
                    '<svg xmlns="http://www.w3.org/2000/svg" width="640" height="360"><rect width="640" height="360" fill="#'.
                        substr(md5($words), 0, 6).
                        '"/>'.
                        '<text x="40" y="90" font-size="40" font-family="sans-serif">'.
                        htmlspecialchars($words, ENT_XML1).
                        '</text></svg>',
                );
            }
            Program::run(['rsvg-convert', '-f', 'pdf', '-o', $out, ...$files]);
            array_map(unlink(...), $files);
        });
    }

    /**
     * @param  list<array{string, string}>  $pages  words and speaker notes of each
     * @return string path of a presentation written by the office suite
     */
    public static function presentation(array $pages, string $format): string
    {
        return self::cached($format, $pages, function (string $out) use ($pages, $format): void {
            $flat = "{$out}.fodp";
            file_put_contents($flat, self::flatPresentation($pages));
            self::convert($flat, $format, $out);
        });
    }

    /** @return string path of a text with a title, headings, paragraphs and a list, written by the office suite */
    public static function text(string $format): string
    {
        return self::cached($format, 'text', function (string $out) use ($format): void {
            $flat = "{$out}.fodt";
            $heading = fn (
                int $level,
                string $words,
            ): string => "<text:h text:style-name=\"Heading_20_{$level}\" text:outline-level=\"{$level}\">{$words}</text:h>";
            file_put_contents(
                $flat,
                '<?xml version="1.0"?><office:document'.
                    self::namespaces().
                    ' office:version="1.2" office:mimetype="application/vnd.oasis.opendocument.text"><office:body><office:text>'.
                    $heading(1, 'Tides').
                    $heading(2, 'High').
                    '<text:p>Find the <text:span>day</text:span>.</text:p><text:list><text:list-item><text:p>a '
                        .'table</text:p></text:list-item></text:list>'.
                    $heading(2, 'Low').
                    '<text:p>Read &amp; write.</text:p></office:text></office:body></office:document>',
            );
            self::convert($flat, $format, $out);
        });
    }

    private static function convert(string $flat, string $format, string $out): void
    {
        Program::run([
            'soffice',
            '-env:UserInstallation=file://'.sys_get_temp_dir().'/reel-test-office',
            '--headless',
            '--convert-to',
            $format,
            '--outdir',
            dirname($out),
            $flat,
        ]);
        rename("{$out}.{$format}", $out);
        unlink($flat);
    }

    /** @param  list<array{string, string}>  $pages */
    private static function flatPresentation(array $pages): string
    {
        $body = '';
        foreach ($pages as $i => [$words, $notes]) {
            $body .=
                '<draw:page draw:name="p'.
                $i.
                '" draw:master-page-name="m"><draw:frame svg:x="2cm" svg:y="2cm" svg:width="20cm" '
                    .'svg:height="3cm"><draw:text-box><text:p>'.
                $words.
                '</text:p></draw:text-box></draw:frame>'.
                '<presentation:notes><draw:frame presentation:class="notes" svg:x="2cm" svg:y="14cm" svg:width="16cm" '
                    .'svg:height="10cm"><draw:text-box>'.
                implode('', array_map(fn (string $p): string => "<text:p>{$p}</text:p>", explode("\n", $notes))).
                '</draw:text-box></draw:frame></presentation:notes></draw:page>';
        }

        return '<?xml version="1.0"?><office:document'.
            self::namespaces().
            ' office:version="1.2" office:mimetype="application/vnd.oasis.opendocument.presentation">'.
            '<office:automatic-styles><style:page-layout style:name="l"><style:page-layout-properties fo:page-width="28cm" '
                .'fo:page-height="15.75cm"/></style:page-layout></office:automatic-styles>'.
            '<office:master-styles><style:master-page style:name="m" style:page-layout-name="l"/></office:master-styles>'.
            "<office:body><office:presentation>{$body}</office:presentation></office:body></office:document>";
    }

    private static function namespaces(): string
    {
        $ns = '';
        foreach (['office', 'style', 'text', 'draw', 'presentation'] as $name) {
            $ns .=
                ' xmlns:'.$name.'="urn:oasis:names:tc:opendocument:xmlns:'.($name === 'draw' ? 'drawing' : $name).':1.0"';
        }
        $ns .=
            ' xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" '
                .'xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0"';

        return $ns;
    }

    /** @param  callable(string): void  $make */
    private static function cached(string $kind, mixed $what, callable $make): string
    {
        $out = sys_get_temp_dir().'/reel-deck-'.md5(serialize($what).filemtime(__FILE__)).".{$kind}";
        if (! is_file($out)) {
            $make($out);
        }

        return $out;
    }
}
