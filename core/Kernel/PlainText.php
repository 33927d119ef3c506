<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** Text without the characters that no text needs and other formats cannot hold: titles go into XML, metadata and file names. */
final class PlainText
{
    /**
     * Controls of ASCII and ISO 6429 except tab, line feed and carriage return; the noncharacters U+FFFE and U+FFFF (XML 1.0,
     * section 2.2).
     */
    private const UNWANTED = '/[\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}\x{7F}-\x{9F}\x{FFFE}\x{FFFF}]+/u';

    /** @param  string  $text  in UTF-8; what is no UTF-8 becomes question marks */
    public static function of(string $text): string
    {
        return (string) preg_replace(self::UNWANTED, '', mb_scrub($text, 'UTF-8'));
    }

    /** The same as one row: line ends and tabs become spaces. */
    public static function row(string $text): string
    {
        return (string) preg_replace('/[\s\x{2028}\x{2029}]+/u', ' ', self::of($text));
    }
}
