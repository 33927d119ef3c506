<?php

declare(strict_types=1);

namespace App\Media\Office;

/** What a presentation file says in its speaker notes, page by page. */
final class SpeakerNotes
{
    private const A = 'http://schemas.openxmlformats.org/drawingml/2006/main';

    private const P = 'http://schemas.openxmlformats.org/presentationml/2006/main';

    private const R = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const DRAW = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';

    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006/relationships';

    /**
     * @return list<string> one text a shown page, paragraphs parted by blank lines; empty where there are none
     *
     * @throws \App\Media\UnreadableFile
     */
    public static function read(string $path, string $name): array
    {
        $package = Package::open($path, $name);

        return $package->has('ppt/presentation.xml') ? self::pptx($package) : self::odp($package);
    }

    /** @return list<string> */
    private static function pptx(Package $package): array
    {
        $presentation = $package->xml('ppt/presentation.xml');
        if ($presentation === null) {
            return [];
        }
        $targets = self::targets($package, 'ppt/_rels/presentation.xml.rels');
        $notes = [];
        foreach ($presentation->getElementsByTagNameNS(self::P, 'sldId') as $slide) {
            $part =
                'ppt/'.
                ltrim(
                    (string) preg_replace('#^(\.\./|/ppt/)#', '', $targets[$slide->getAttributeNS(self::R, 'id')][1] ?? ''),
                    '/',
                );
            $root = $package->xml($part)?->documentElement;
            if ($root === null || $root->getAttribute('show') === '0') {
                continue;
            }
            $text = '';
            foreach (self::targets($package, 'ppt/slides/_rels/'.basename($part).'.rels') as [$type, $target]) {
                if (str_ends_with($type, '/notesSlide')) {
                    $text = self::notesOf($package->xml('ppt/notesSlides/'.basename($target)));
                }
            }
            $notes[] = $text;
        }

        return $notes;
    }

    /** @return array<string, array{string, string}> type and target by id */
    private static function targets(Package $package, string $part): array
    {
        $targets = [];
        foreach ($package->xml($part)?->getElementsByTagNameNS(self::PACKAGE, 'Relationship') ?? [] as $relation) {
            $targets[$relation->getAttribute('Id')] = [$relation->getAttribute('Type'), $relation->getAttribute('Target')];
        }

        return $targets;
    }

    /** Only what was written: a notes page also carries a picture of the slide, a date and a page number. */
    private static function notesOf(?\DOMDocument $page): string
    {
        if ($page === null) {
            return '';
        }
        $query = new \DOMXPath($page);
        $query->registerNamespace('a', self::A);
        $query->registerNamespace('p', self::P);
        $paragraphs = [];
        $found = Package::all(
            $query,
            '//p:sp[not(p:nvSpPr/p:nvPr/p:ph[@type="sldImg" or @type="sldNum" or @type="dt" or @type="hdr" or '
                .'@type="ftr"])]//a:p',
        );
        foreach ($found as $paragraph) {
            $words = '';
            foreach (Package::all($query, './/a:t | .//a:br', $paragraph) as $run) {
                $words .= $run->localName === 't' ? $run->textContent : ' ';
            }
            $paragraphs[] = trim((string) preg_replace('/\s+/u', ' ', $words));
        }

        return implode("\n\n", array_filter($paragraphs, fn (string $p): bool => $p !== ''));
    }

    /** @return list<string> */
    private static function odp(Package $package): array
    {
        $notes = [];
        foreach ($package->each('content.xml', self::DRAW, ['page']) as $page) {
            $query = new \DOMXPath($page->ownerDocument ?? new \DOMDocument());
            $query->registerNamespace('draw', self::DRAW);
            $query->registerNamespace('presentation', 'urn:oasis:names:tc:opendocument:xmlns:presentation:1.0');
            $query->registerNamespace('text', 'urn:oasis:names:tc:opendocument:xmlns:text:1.0');
            $paragraphs = [];
            $found = Package::all(
                $query,
                './presentation:notes//draw:frame[not(@presentation:class) or @presentation:class="notes"]//text:p',
                $page,
            );
            foreach ($found as $paragraph) {
                $paragraphs[] = trim((string) preg_replace('/\s+/u', ' ', $paragraph->textContent));
            }
            $notes[] = implode("\n\n", array_filter($paragraphs, fn (string $p): bool => $p !== ''));
        }

        return $notes;
    }
}
