<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/** What a browser calls itself (RFC 9110, section 10.1.5), in words by which somebody knows theirs again. */
final class DeviceName
{
    /** What tells a browser, the more special first: most name others beside themselves. */
    private const BROWSERS = [
        '/\bEdgA?\//' => 'Edge', '/\b(OPR|Opera)\//' => 'Opera', '/\bSamsungBrowser\//' => 'Samsung Internet',
        '/\b(Firefox|FxiOS)\//' => 'Firefox', '/\bChromium\//' => 'Chromium', '/\b(Chrome|CriOS|HeadlessChrome)\//' => 'Chrome',
        '/\bVersion\/[\d.]+ .*Safari\//' => 'Safari',
    ];

    private const SYSTEMS = [
        '/\biPhone\b/' => 'an iPhone', '/\biPad\b/' => 'an iPad', '/\bAndroid\b/' => 'Android', '/\bCrOS\b/' => 'ChromeOS',
        '/\bWindows\b/' => 'Windows', '/\bMac OS X\b/' => 'a Mac', '/\bLinux\b/' => 'Linux',
    ];

    public static function of(string $userAgent): string
    {
        $browser = self::first(self::BROWSERS, $userAgent) ?? 'A browser';
        $system = self::first(self::SYSTEMS, $userAgent);

        return $system === null ? $browser : "{$browser} on {$system}";
    }

    /** @param  array<string, string>  $names  by pattern */
    private static function first(array $names, string $in): ?string
    {
        foreach ($names as $pattern => $name) {
            if (preg_match($pattern, $in) === 1) {
                return $name;
            }
        }

        return null;
    }
}
