<?php

declare(strict_types=1);

namespace OpenReel\Core\Packages;

/** What a film in a folder can tell of how it is watched. */
enum PackageKind: string
{
    /** Nothing. */
    case Folder = 'folder';
    case Scorm = 'scorm';
    case Cmi5 = 'cmi5';

    public function suffix(): string
    {
        return match ($this) {
            self::Folder => '',
            self::Scorm => ' (SCORM 1.2)',
            self::Cmi5 => ' (cmi5)',
        };
    }
}
