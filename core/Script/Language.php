<?php

declare(strict_types=1);

namespace OpenReel\Core\Script;

/** The language a course is spoken in; values are those of BCP 47. */
enum Language: string
{
    case English = 'en';
    case German = 'de';
    case French = 'fr';
    case Spanish = 'es';

    /** @return string its ISO 639-2 code, as files of films have it */
    public function threeLetters(): string
    {
        return match ($this) {
            self::English => 'eng',
            self::German => 'deu',
            self::French => 'fra',
            self::Spanish => 'spa',
        };
    }
}
