<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/** The words of an .odt file (ISO/IEC 26300, OpenDocument) as a script: headings, paragraphs, lists. */
final class OdtText
{
    private const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    private const OFFICE = 'urn:oasis:names:tc:opendocument:xmlns:office:1.0';

    public static function read(string $path, string $name): string
    {
        $document = Package::open($path, $name)->xml('content.xml') ?? throw UnreadableFile::because("\"{$name}\" is not a word processor file.");
        $query = new \DOMXPath($document);
        $query->registerNamespace('text', self::TEXT);
        $query->registerNamespace('office', self::OFFICE);
        $text = new ScriptText;
        foreach (Package::all($query, '//office:text//text:h | //office:text//text:p') as $paragraph) {
            if (Package::all($query, 'ancestor::text:note | ancestor::office:annotation | ancestor::text:tracked-changes', $paragraph) !== []) {
                continue;
            }
            $isTitle = strtolower($paragraph->getAttributeNS(self::TEXT, 'style-name')) === 'title';
            $level = $paragraph->localName === 'h' ? max(1, (int) $paragraph->getAttributeNS(self::TEXT, 'outline-level')) : ($isTitle ? 1 : 0);
            $text->paragraph(self::words($paragraph), $level, Package::all($query, 'ancestor::text:list', $paragraph) !== [] && $level === 0);
        }

        return $text->text();
    }

    private static function words(\DOMNode $node): string
    {
        $words = '';
        foreach ($node->childNodes as $child) {
            $words .= match (true) {
                $child instanceof \DOMText => $child->textContent,
                in_array($child->localName, ['tab', 's', 'line-break'], true) => ' ',
                in_array($child->localName, ['note', 'annotation'], true) => '',
                default => self::words($child),
            };
        }

        return $words;
    }
}
