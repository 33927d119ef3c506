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

    /** Groups of a drawing that builds up are called so, by their id or as layers of Inkscape. */
    private const STEP = '/^step[ _-]?(\d{1,2})$/i';

    /** Nobody talks through more on one slide. */
    private const MOST_STEPS = 20;

    private const INKSCAPE = 'http://www.inkscape.org/namespaces/inkscape';

    /** @param  string  $source  the drawing in UTF-8 */
    private function __construct(public string $source, public string $words)
    {
    }

    /**
     * A drawing that builds up: without its steps, with the first, with two of them, and so on.
     *
     * @param  string  $name  what its file was called, for messages
     * @return list<string> none when it has no steps
     *
     * @throws UnreadableFile when it has more than are drawn
     */
    public function steps(string $name): array
    {
        $numbers = array_keys(self::stepsOf($this->copy()));
        if (count($numbers) > self::MOST_STEPS) {
            throw UnreadableFile::because(sprintf(
                '"%s" builds up in %d steps; at most %d are drawn. Put some of its groups together.',
                $name, count($numbers), self::MOST_STEPS,
            ));
        }
        sort($numbers);

        return $numbers === [] ? [] : array_map(function (int $seen) use ($numbers): string {
            $copy = $this->copy();
            foreach (self::stepsOf($copy) as $number => $groups) {
                foreach (in_array($number, array_slice($numbers, 0, $seen), true) ? [] : $groups as $group) {
                    $group->parentNode?->removeChild($group);
                }
            }

            return (string) $copy->saveXML();
        }, range(0, count($numbers)));
    }

    private function copy(): \DOMDocument
    {
        $document = new \DOMDocument();
        $document->loadXML($this->source, LIBXML_NONET | LIBXML_COMPACT);

        return $document;
    }

    /** @return array<int, list<\DOMElement>> by number */
    private static function stepsOf(\DOMDocument $document): array
    {
        $steps = [];
        foreach ($document->getElementsByTagNameNS(self::SVG, 'g') as $group) {
            foreach ([$group->getAttribute('id'), $group->getAttributeNS(self::INKSCAPE, 'label')] as $called) {
                if (preg_match(self::STEP, trim($called), $number) === 1) {
                    $steps[(int) $number[1]][] = $group;
                    break;
                }
            }
        }

        return $steps;
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
