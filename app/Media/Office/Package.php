<?php

declare(strict_types=1);

namespace App\Media\Office;

use App\Media\UnreadableFile;

/** An office file: a ZIP archive of XML parts, opened without trusting it. */
final class Package
{
    /** An honest office file is text and pictures: neither so many parts nor so much of them. */
    private const MOST_PARTS = 5_000;

    private const MOST_BYTES = 400 * 1024 * 1024;

    private const MOST_PART_BYTES = 60 * 1024 * 1024;

    /** Text packs to a twentieth or so; a bomb to a thousandth. */
    private const MOST_RATIO = 250;

    private function __construct(private readonly \ZipArchive $zip, private readonly string $name)
    {
    }

    /** @throws UnreadableFile when it is damaged, locked, or unpacks to more than it could honestly hold */
    public static function open(string $path, string $name): self
    {
        if (str_starts_with((string) @file_get_contents($path, length: 8), "\xD0\xCF\x11\xE0")) {
            throw UnreadableFile::because("\"{$name}\" is protected with a password, or in an old format. Save it without a password in an open format and try again.");
        }
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it cannot be opened.");
        }
        $all = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $part = (array) $zip->statIndex($i);
            $size = (int) ($part['size'] ?? 0);
            $all += $size;
            if ($size > 1024 * 1024 && $size > self::MOST_RATIO * max(1, (int) ($part['comp_size'] ?? 0)) || ($part['encryption_method'] ?? 0) !== 0) {
                throw UnreadableFile::because("\"{$name}\" is locked or is not what it says it is. It was not opened.");
            }
        }
        if ($zip->numFiles > self::MOST_PARTS || $all > self::MOST_BYTES) {
            throw UnreadableFile::because("\"{$name}\" unpacks to more than an office file holds. It was not opened.");
        }

        return new self($zip, $name);
    }

    /** @throws UnreadableFile when the part is there and is no XML */
    public function xml(string $part): ?\DOMDocument
    {
        $stat = $this->zip->statName($part);
        if ($stat === false) {
            return null;
        }
        $content = $stat['size'] > self::MOST_PART_BYTES ? false : $this->zip->getFromName($part);
        $document = new \DOMDocument;
        // Entities are neither declared nor loaded: office files have none, and only attacks do.
        if ($content === false || str_contains($content, '<!DOCTYPE') || str_contains($content, '<!ENTITY') || ! @$document->loadXML($content, LIBXML_NONET | LIBXML_COMPACT)) {
            throw UnreadableFile::because("\"{$this->name}\" is damaged: its text cannot be read.");
        }

        return $document;
    }

    /**
     * What a path finds, as elements.
     *
     * @return list<\DOMElement>
     */
    public static function all(\DOMXPath $query, string $path, ?\DOMNode $in = null): array
    {
        $found = $query->query($path, $in);

        return $found === false ? [] : array_values(array_filter(iterator_to_array($found), fn (mixed $n): bool => $n instanceof \DOMElement));
    }

    public function has(string $part): bool
    {
        return $this->zip->locateName($part) !== false;
    }
}
