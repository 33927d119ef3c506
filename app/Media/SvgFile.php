<?php

declare(strict_types=1);

namespace App\Media;

/** Somebody's SVG drawing: looked through as a tree, so that no way of writing it down hides anything. */
final readonly class SvgFile
{
    private const SVG = 'http://www.w3.org/2000/svg';

    private const XLINK = 'http://www.w3.org/1999/xlink';

    /** Elements that run something or hold another kind of document. */
    private const REFUSED = ['script', 'foreignObject', 'iframe', 'audio', 'video', 'handler'];

    /** @param  string  $source  the drawing in UTF-8 */
    private function __construct(public string $source, public string $words)
    {
    }

    public static function isOne(string $file): bool
    {
        return self::document($file)?->documentElement?->localName === 'svg';
    }

    /** @throws UnreadableFile when it contains scripts or refers to anything outside itself */
    public static function read(string $file, string $name): self
    {
        $document = self::document($file) ?? throw UnreadableFile::because("\"{$name}\" is damaged: it could not be drawn.");
        $hasEntities =
            $document->doctype !== null &&
            ($document->doctype->entities->length > 0 || ($document->doctype->internalSubset ?? '') !== '');
        if ($hasEntities || self::refers($document)) {
            throw UnreadableFile::because(
                "\"{$name}\" contains scripts or refers to other files. Save it as a plain drawing, or as PNG, and try again.",
            );
        }
        $words = [];
        foreach (['title', 'text'] as $element) {
            foreach ($document->getElementsByTagNameNS(self::SVG, $element) as $text) {
                $words[] = trim((string) preg_replace('/\s+/u', ' ', $text->textContent));
            }
        }
        $document->encoding = 'UTF-8';

        return new self((string) $document->saveXML(), trim(implode(' ', $words)));
    }

    private static function document(string $file): ?\DOMDocument
    {
        $content = (string) file_get_contents($file);
        $document = new \DOMDocument();

        return $content !== '' && @$document->loadXML($content, LIBXML_NONET | LIBXML_COMPACT) ? $document : null;
    }

    private static function refers(\DOMDocument $document): bool
    {
        $query = new \DOMXPath($document);
        if (($query->query('//processing-instruction("xml-stylesheet")')->length ?? 0) > 0) {
            return true;
        }
        foreach ($document->getElementsByTagName('*') as $element) {
            if (
                in_array($element->localName, self::REFUSED, true) ||
                self::styleRefers($element->localName === 'style' ? $element->textContent : $element->getAttribute('style'))
            ) {
                return true;
            }
            foreach ($element->attributes ?? [] as $attribute) {
                $isAddress =
                    in_array($attribute->localName, ['href', 'src'], true) &&
                    in_array($attribute->namespaceURI, [null, self::XLINK], true);
                if (
                    str_starts_with(strtolower((string) $attribute->localName), 'on') ||
                    ($isAddress && preg_match('#^\s*(\#|data:image/|$)#i', $attribute->value) !== 1)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function styleRefers(string $style): bool
    {
        return preg_match('/@import|url\(\s*["\']?\s*(?!["\']?\s*(?:#|data:image\/))/i', $style) === 1;
    }
}
