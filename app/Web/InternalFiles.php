<?php

declare(strict_types=1);

namespace App\Web;

/**
 * Files that the web server sends once the application has said yes (X-Accel-Redirect): no PHP process is held for as long as
 * somebody reads.
 */
final class InternalFiles
{
    /** Under these addresses the web server finds them; nobody else can ask for them. */
    public const MEDIA = '/-/media/';

    public const SHIPPED = '/-/shipped/';

    /** What the web server says of itself: that it sends them. No client can say so: it is no header. */
    public const PARAMETER = 'REEL_SENDS_FILES';

    /** @return array<string, string> folder by address */
    public static function folders(): array
    {
        return [self::MEDIA => (string) config('filesystems.disks.media.root'), self::SHIPPED => resource_path()];
    }

    /** @return string|null the address of a file, for X-Accel-Redirect; null where it lies outside of what the web server sends */
    public static function address(string $file): ?string
    {
        $real = realpath($file);
        foreach (self::folders() as $address => $folder) {
            $within = realpath($folder);
            if ($real !== false && $within !== false && str_starts_with($real, $within.DIRECTORY_SEPARATOR)) {
                $path = substr($real, strlen($within) + 1);

                return $address.implode('/', array_map(rawurlencode(...), explode('/', $path)));
            }
        }

        return null;
    }
}
