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

    /** A part that is held in memory as a tree, which takes ten times its size; larger ones are read as a stream. */
    private const MOST_TREE_BYTES = 8 * 1024 * 1024;

    private const MOST_PART_BYTES = 60 * 1024 * 1024;

    /** Text packs to a twentieth or so; a bomb to a thousandth. */
    private const MOST_RATIO = 250;

    private function __construct(
        private readonly \ZipArchive $zip,
        private readonly string $path,
        private readonly string $name,
    ) {
    }

    /** @throws UnreadableFile when it is damaged, locked, or unpacks to more than it could honestly hold */
    public static function open(string $path, string $name): self
    {
        if (str_starts_with((string) @file_get_contents($path, length: 8), "\xD0\xCF\x11\xE0")) {
            throw UnreadableFile::because(
                "\"{$name}\" is protected with a password, or in an old format. Save it without a password in an open format ".
                    'and try again.',
            );
        }
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw UnreadableFile::because("\"{$name}\" is damaged: it cannot be opened.");
        }
        $all = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $part = (array) $zip->statIndex($i);
            $size = (int) ($part['size'] ?? 0);
            $all += $size;
            if (
                ($size > 1024 * 1024 && $size > self::MOST_RATIO * max(1, (int) ($part['comp_size'] ?? 0))) ||
                ($part['encryption_method'] ?? 0) !== 0
            ) {
                throw UnreadableFile::because("\"{$name}\" is locked or is not what it says it is. It was not opened.");
            }
        }
        if ($zip->numFiles > self::MOST_PARTS || $all > self::MOST_BYTES) {
            throw UnreadableFile::because("\"{$name}\" unpacks to more than an office file holds. It was not opened.");
        }

        return new self($zip, $path, $name);
    }

    /** @return list<string> names of its parts */
    public function parts(): array
    {
        $places = range(0, max(0, $this->zip->numFiles - 1));

        return array_map(fn (int $i): string => (string) $this->zip->getNameIndex($i), $places);
    }

    /** @throws UnreadableFile when the part is there and is no XML, or too much to be looked through */
    public function xml(string $part): ?\DOMDocument
    {
        $stat = $this->zip->statName($part);
        if ($stat === false) {
            return null;
        }
        if ($stat['size'] > self::MOST_TREE_BYTES) {
            throw UnreadableFile::because(
                "\"{$this->name}\" holds more than can be looked through. Bring it in in smaller parts.",
            );
        }
        $document = new \DOMDocument();
        $isRead = @$document->loadXML((string) $this->zip->getFromName($part), LIBXML_NONET | LIBXML_COMPACT);
        // Entities are neither declared nor loaded: office files have none, and only attacks do.
        if (! $isRead || $document->doctype !== null) {
            throw $this->damaged();
        }

        return $document;
    }

    /**
     * Goes through a part of any size, one element of the given kind after the other, each as a tree of its own.
     *
     * @param  list<string>  $names  local names of the elements; what is inside one is not visited again
     * @return \Generator<int, \DOMElement>
     *
     * @throws UnreadableFile when the part is not there or is no XML
     */
    public function each(string $part, string $namespace, array $names): \Generator
    {
        $stat = $this->zip->statName($part);
        if ($stat === false || $stat['size'] > self::MOST_PART_BYTES) {
            throw $this->damaged();
        }
        $reader = new \XMLReader();
        $errors = libxml_use_internal_errors(true);
        try {
            if (! $reader->open('zip://'.$this->path.'#'.$part, null, LIBXML_NONET | LIBXML_COMPACT)) {
                throw $this->damaged();
            }
            for ($more = @$reader->read(); $more;) {
                if ($reader->nodeType === \XMLReader::DOC_TYPE) {
                    throw $this->damaged();
                }
                if (
                    $reader->nodeType === \XMLReader::ELEMENT &&
                    $reader->namespaceURI === $namespace &&
                    in_array($reader->localName, $names, true)
                ) {
                    $document = new \DOMDocument();
                    $element = @$reader->expand($document);
                    if (! ($element instanceof \DOMElement)) {
                        throw $this->damaged();
                    }
                    $document->appendChild($element);
                    yield $element;
                    $more = @$reader->next();
                } else {
                    $more = @$reader->read();
                }
            }
            $error = libxml_get_last_error();
            if ($error !== false && $error->level === LIBXML_ERR_FATAL) {
                throw $this->damaged();
            }
        } finally {
            $reader->close();
            libxml_clear_errors();
            libxml_use_internal_errors($errors);
        }
    }

    /**
     * What a path finds, as elements.
     *
     * @return list<\DOMElement>
     */
    public static function all(\DOMXPath $query, string $path, ?\DOMNode $in = null): array
    {
        $found = $query->query($path, $in);

        return $found === false
            ? []
            : array_values(array_filter(iterator_to_array($found), fn (mixed $n): bool => $n instanceof \DOMElement));
    }

    public function has(string $part): bool
    {
        return $this->zip->locateName($part) !== false;
    }

    private function damaged(): UnreadableFile
    {
        return UnreadableFile::because("\"{$this->name}\" is damaged: its text cannot be read.");
    }
}
