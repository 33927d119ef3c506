<?php

declare(strict_types=1);

namespace App\Web;

/** How many bytes an address takes: a comment is no archive. The web server and the application hold requests against the same table. */
final class BodyLimits
{
    private const SMALL = 64 * 1024;

    /** A script has half a million characters of up to four bytes, which JSON may write in six each. */
    private const LARGE = 4 * 1024 * 1024;

    /** Of these what reads them has the say. */
    private const FILE = 512 * 1024 * 1024;

    /** By the beginning of a path without its first slash, `*` for anything; the first that is meant counts. */
    public const MOST = [
        'watch/*' => self::SMALL,
        'sign-*' => self::SMALL,
        'forgotten*' => self::SMALL,
        'invited/*' => self::SMALL,
        'account*' => self::SMALL,
        'device*' => self::SMALL,
        'api/archives/*/chunks/*' => self::FILE,
        'api/tracks/*/chunks/*' => self::FILE,
        'api/takes/*/events/*' => 25 * 1024 * 1024,
        'api/lessons/*/slides' => self::FILE,
        'api/slides/*/picture' => self::FILE,
        'api/lessons/*/music' => self::FILE,
        'api/courses/*/logos' => self::FILE,
        'api/read-script' => self::FILE,
        'api/lessons/*/translations/*/file' => self::FILE,
        'api/lessons/*/here/*' => self::SMALL,
        'api/lessons/*/room' => self::SMALL,
    ];

    /** Of every other address. */
    public const OTHERWISE = self::LARGE;

    /** What whoever sends more is told. */
    public const TOO_MUCH = 'That is more than the server takes at once.';
}
