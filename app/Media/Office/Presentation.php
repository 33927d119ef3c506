<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/**
 * A presentation file before it is given to the office suite: how many pages it has, and without whatever it would fetch from
 * elsewhere (another file of the server, an address on the network). Links that a reader clicks on stay.
 */
final class Presentation
{
    private const RELATIONSHIPS = 'http://schemas.openxmlformats.org/package/2006/relationships';

    private const PRESENTATION = 'http://schemas.openxmlformats.org/presentationml/2006/main';

    private const DRAW = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';

    private const XLINK = 'http://www.w3.org/1999/xlink';

    /** Elements of OpenDocument whose address is a place to go to and nothing to load. */
    private const CLICKED = ['a', 'event-listener'];

    /**
     * @param  string  $copy  path of a copy that is changed
     * @return int its pages, hidden ones included
     *
     * @throws UnreadableFile
     */
    public static function tame(string $copy, string $name): int
    {
        $package = Package::open($copy, $name);
        $isOoxml = $package->has('ppt/presentation.xml');
        if (! $isOoxml && ! $package->has('content.xml')) {
            throw UnreadableFile::because("\"{$name}\" is no presentation.");
        }
        $pages = $isOoxml
            ? $package->xml('ppt/presentation.xml')?->getElementsByTagNameNS(self::PRESENTATION, 'sldId')->length ?? 0
            : iterator_count($package->each('content.xml', self::DRAW, ['page']));
        $changed = [];
        foreach ($package->parts() as $part) {
            $document = match (true) {
                $isOoxml && str_ends_with($part, '.rels') => self::withoutRelations($package->xml($part)),
                ! $isOoxml && preg_match('#(^|/)(content|styles)\.xml$#', $part) === 1 => self::withoutAddresses(
                    $package->xml($part),
                ),
                default => null,
            };
            if ($document !== null) {
                $changed[$part] = (string) $document->saveXML();
            }
        }
        self::write($copy, $changed, $name);

        return $pages;
    }

    /** @return \DOMDocument|null null when nothing had to go */
    private static function withoutRelations(?\DOMDocument $relations): ?\DOMDocument
    {
        $gone = false;
        $all = $relations?->getElementsByTagNameNS(self::RELATIONSHIPS, 'Relationship') ?? new \ArrayIterator();
        foreach (iterator_to_array($all) as $relation) {
            $leadsOut =
                strcasecmp($relation->getAttribute('TargetMode'), 'External') === 0 ||
                self::isOutside($relation->getAttribute('Target'), false);
            if ($leadsOut && ! str_ends_with($relation->getAttribute('Type'), '/hyperlink')) {
                $relation->parentNode?->removeChild($relation);
                $gone = true;
            }
        }

        return $gone ? $relations : null;
    }

    /** @return \DOMDocument|null null when nothing had to go */
    private static function withoutAddresses(?\DOMDocument $document): ?\DOMDocument
    {
        if ($document === null) {
            return null;
        }
        $query = new \DOMXPath($document);
        $query->registerNamespace('xlink', self::XLINK);
        $gone = false;
        foreach (Package::all($query, '//*[@xlink:href]') as $element) {
            if (
                ! in_array($element->localName, self::CLICKED, true) &&
                self::isOutside($element->getAttributeNS(self::XLINK, 'href'), true)
            ) {
                $element->removeAttributeNS(self::XLINK, 'href');
                $gone = true;
            }
        }

        return $gone ? $document : null;
    }

    /** @param  bool  $upLeadsOut  whether `..` leaves the package: in OpenDocument addresses begin at its root */
    private static function isOutside(string $address, bool $upLeadsOut): bool
    {
        return preg_match('#^\s*([a-z][a-z0-9+.-]*:|//|\\\\\\\\)#i', $address) === 1 ||
            ($upLeadsOut && (str_contains($address, '..') || str_starts_with($address, '/')));
    }

    /** @param  array<string, string>  $changed  XML by part */
    private static function write(string $copy, array $changed, string $name): void
    {
        if ($changed === []) {
            return;
        }
        $zip = new \ZipArchive();
        $isWritten = $zip->open($copy) === true;
        foreach ($changed as $part => $xml) {
            $isWritten = $isWritten && $zip->addFromString($part, $xml);
        }
        if (! $isWritten || ! $zip->close()) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it cannot be opened.");
        }
    }
}
