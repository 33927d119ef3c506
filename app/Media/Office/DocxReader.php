<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/** The words of a .docx file (ECMA-376, WordprocessingML) as a script: headings, paragraphs, lists. */
final class DocxReader
{
    private const W = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main';

    /** @throws UnreadableFile */
    public static function read(string $path, string $name): string
    {
        $package = Package::open($path, $name);
        if (! $package->has('word/document.xml')) {
            throw UnreadableFile::because("\"{$name}\" is not a word processor file.");
        }
        $headings = self::headingStyles($package->xml('word/styles.xml'));
        $text = new ScriptText($name);
        foreach ($package->each('word/document.xml', self::W, ['p']) as $paragraph) {
            $query = self::query($paragraph);
            $style = self::value($query, './w:pPr/w:pStyle', $paragraph);
            $words = '';
            foreach (Package::all($query, './/w:t | .//w:tab | .//w:br', $paragraph) as $piece) {
                $words .= $piece->localName === 't' ? $piece->textContent : ' ';
            }
            $outline = self::value($query, './w:pPr/w:outlineLvl', $paragraph);
            $level = $outline !== '' ? (int) $outline + 1 : ($headings[$style] ?? 0);
            $text->paragraph($words, $level, Package::all($query, './w:pPr/w:numPr', $paragraph) !== [] && $level === 0);
        }

        return $text->text();
    }

    /** @return array<string, int> level by style id; 0 for the title's */
    private static function headingStyles(?\DOMDocument $styles): array
    {
        $levels = ['Title' => 1];
        if ($styles?->documentElement === null) {
            return $levels;
        }
        $query = self::query($styles->documentElement);
        foreach (Package::all($query, '//w:style') as $style) {
            $id = $style->getAttributeNS(self::W, 'styleId');
            $outline = self::value($query, './w:pPr/w:outlineLvl', $style);
            $name = strtolower(self::value($query, './w:name', $style));
            if ($name === 'title') {
                $levels[$id] = 1;
            } elseif ($outline !== '' && (int) $outline < 9) {
                $levels[$id] = (int) $outline + 1;
            } elseif (preg_match('/^heading (\d)$/', $name, $m) === 1) {
                $levels[$id] = (int) $m[1];
            }
        }

        return $levels;
    }

    private static function query(\DOMElement $in): \DOMXPath
    {
        $query = new \DOMXPath($in->ownerDocument ?? new \DOMDocument);
        $query->registerNamespace('w', self::W);

        return $query;
    }

    private static function value(\DOMXPath $query, string $path, \DOMNode $in): string
    {
        return (Package::all($query, $path, $in)[0] ?? null)?->getAttributeNS(self::W, 'val') ?? '';
    }
}
