<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\FilesystemException;

/** The folder of a course site of one's own: any disk that the operator names, on this machine or S3-compatible. */
final class SiteFolder
{
    /** @return string|null what presenters know it by; null where the operator has named none */
    public function name(): ?string
    {
        $disk = config('filesystems.disks.site');
        $isThere = ($disk['driver'] ?? '') === 's3' ? ($disk['bucket'] ?? '') !== '' : ($disk['root'] ?? '') !== '';

        return $isThere ? (string) $disk['name'] : null;
    }

    /** @return string|null where viewers find what lies at a place in it; null where that is not known */
    public function address(string $path): ?string
    {
        $url = rtrim((string) config('filesystems.disks.site.url'), '/');

        return $url === '' ? null : "{$url}/{$path}";
    }

    /**
     * Puts a file of this machine there; one of that name is replaced.
     *
     * @param  callable(int): void  $sent  told now and then how many bytes of it have been read; what it throws ends it
     *
     * @throws SiteUnreachable
     */
    public function put(string $path, string $file, callable $sent): void
    {
        $stream = CountedFile::open($file, $sent);
        try {
            self::readable(fn (): bool => $this->disk()->writeStream($path, $stream))
                ?: throw new \RuntimeException("{$path} was not written");
        } catch (\Exception $e) {
            throw self::meant($e) ?? SiteUnreachable::because($e);
        } finally {
            is_resource($stream) && fclose($stream);
        }
    }

    /** @throws SiteUnreachable */
    public function putText(string $path, string $text): void
    {
        try {
            self::readable(fn (): bool => $this->disk()->put($path, $text))
                ?: throw new \RuntimeException("{$path} was not written");
        } catch (FilesystemException|\RuntimeException $e) {
            throw SiteUnreachable::because($e);
        }
    }

    /**
     * What lies there is for everybody, and for the web server first of all; all else that is written here is for this user only.
     *
     * @param  callable(): bool  $write
     */
    private static function readable(callable $write): bool
    {
        $mask = umask(0o022);
        try {
            return $write();
        } finally {
            umask($mask);
        }
    }

    /** What was thrown while the file was read comes wrapped in what the disk makes of it. */
    private static function meant(?\Throwable $e): ?InfrastructureFailure
    {
        for (; $e !== null; $e = $e->getPrevious()) {
            if ($e instanceof InfrastructureFailure) {
                return $e;
            }
        }

        return null;
    }

    private function disk(): Filesystem
    {
        return Storage::disk('site');
    }
}
