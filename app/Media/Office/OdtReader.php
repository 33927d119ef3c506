<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/** The words of an .odt file (ISO/IEC 26300, OpenDocument) as a script: headings, paragraphs, lists. */
final class OdtReader
{
    private const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    /** What holds words that are not the text's own. */
    private const ASIDE = ['note', 'annotation'];

    /** @throws UnreadableFile */
    public static function read(string $path, string $name): string
    {
        $package = Package::open($path, $name);
        if (! $package->has('content.xml')) {
            throw UnreadableFile::because("\"{$name}\" is not a word processor file.");
        }
        $text = new ScriptText($name);
        // Deleted passages are kept aside in the file; lists come whole, so that their paragraphs are known as items.
        foreach ($package->each('content.xml', self::TEXT, ['h', 'p', 'list', 'tracked-changes']) as $element) {
            match ($element->localName) {
                'tracked-changes' => null,
                'list' => array_map(fn (\DOMElement $p) => self::add($text, $p, true), self::paragraphsOf($element)),
                default => self::add($text, $element, false),
            };
        }

        return $text->text();
    }

    private static function add(ScriptText $text, \DOMElement $paragraph, bool $isItem): void
    {
        $isTitle = strtolower($paragraph->getAttributeNS(self::TEXT, 'style-name')) === 'title';
        $level =
            $paragraph->localName === 'h'
                ? max(1, (int) $paragraph->getAttributeNS(self::TEXT, 'outline-level'))
                : ($isTitle
                    ? 1
                    : 0);
        $text->paragraph(self::words($paragraph), $level, $isItem && $level === 0);
    }

    /** @return list<\DOMElement> */
    private static function paragraphsOf(\DOMElement $list): array
    {
        $query = new \DOMXPath($list->ownerDocument ?? new \DOMDocument());
        $query->registerNamespace('text', self::TEXT);

        return Package::all($query, './/text:h[not(ancestor::text:note)] | .//text:p[not(ancestor::text:note)]', $list);
    }

    private static function words(\DOMNode $node): string
    {
        $words = '';
        foreach ($node->childNodes as $child) {
            $words .= match (true) {
                $child instanceof \DOMText => $child->textContent,
                in_array($child->localName, ['tab', 's', 'line-break'], true) => ' ',
                in_array($child->localName, self::ASIDE, true) => '',
                default => self::words($child),
            };
        }

        return $words;
    }
}
