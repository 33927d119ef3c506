<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** A title as the name of a folder in an address: small letters a to z, digits, and hyphens between them. */
final class FolderName
{
    private const LONGEST = 60;

    /** @return string at least one character; titles in other scripts are written in Latin letters */
    public static function of(string $title, string $otherwise): string
    {
        $latin = transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', mb_scrub($title, 'UTF-8')) ?: '';
        $name = trim((string) preg_replace('/[^a-z0-9]+/', '-', $latin), '-');
        $name = rtrim(substr($name, 0, self::LONGEST), '-');

        return $name === '' ? $otherwise : $name;
    }
}
