<?php

declare(strict_types=1);

namespace App\Media\Shared;

use App\Media\DiskFull;
use App\Media\StoredFile;
use League\Flysystem\FileAttributes;
use League\Flysystem\FilesystemAdapter;
use League\Flysystem\FilesystemException;
use League\Flysystem\FilesystemOperator;
use League\Flysystem\UnableToRetrieveMetadata;

/**
 * A shared disk that Flysystem knows: S3-compatible, usually. The SHA-256 of a file is noted with it, and each copy is held
 * against it.
 */
final class ObjectDisk implements SharedDisk
{
    private const HASH = 'sha256';

    /** A copy that is damaged on its way is asked for once more. */
    private const TRIES = 2;

    /** Bytes copied in one go. */
    private const PIECE = 1 << 20;

    public function __construct(private readonly FilesystemOperator $disk, private readonly FilesystemAdapter $adapter)
    {
    }

    public function isThere(): bool
    {
        return true;
    }

    public function put(string $name, string $file): void
    {
        $hash = (string) hash_file(self::HASH, $file);
        $stream = @fopen($file, 'r') ?: throw SharedDiskAway::because(new \RuntimeException("{$name} cannot be read here"));
        try {
            $this->disk->writeStream($name, $stream, ['Metadata' => [self::HASH => $hash]]);
        } catch (FilesystemException $e) {
            throw SharedDiskAway::because($e);
        } finally {
            is_resource($stream) && fclose($stream);
        }
    }

    public function fetch(string $name, string $to): ?int
    {
        for ($try = 1; $try <= self::TRIES; $try++) {
            $known = $this->attributes($name);
            if ($known === null) {
                return null;
            }
            $wanted = $known->extraMetadata()['Metadata'][self::HASH] ?? null;
            $isWhole = $wanted === null
                ? $this->copy($name, $to)[1] === (int) $known->fileSize()
                : $this->copy($name, $to)[0] === $wanted;
            if ($isWhole) {
                return (int) $known->lastModified();
            }
        }
        throw DamagedCopy::of($name);
    }

    public function find(string $name): ?StoredFile
    {
        $known = $this->attributes($name);

        return $known === null ? null : new StoredFile((int) $known->fileSize(), (int) $known->lastModified());
    }

    public function remove(string $name): void
    {
        try {
            str_ends_with($name, '/') ? $this->disk->deleteDirectory(rtrim($name, '/')) : $this->disk->delete($name);
        } catch (FilesystemException $e) {
            throw SharedDiskAway::because($e);
        }
    }

    public function files(string $folder): \Generator
    {
        try {
            foreach ($this->disk->listContents($folder, true) as $one) {
                if ($one instanceof FileAttributes) {
                    yield $one->path() => new StoredFile((int) $one->fileSize(), (int) $one->lastModified());
                }
            }
        } catch (FilesystemException $e) {
            throw SharedDiskAway::because($e);
        }
    }

    private function attributes(string $name): ?FileAttributes
    {
        try {
            return $this->adapter->fileSize($name);
        } catch (UnableToRetrieveMetadata $e) {
            // Not there, or not to be asked: that is what this tells apart.
            try {
                return $this->disk->fileExists($name) ? throw SharedDiskAway::because($e) : null;
            } catch (FilesystemException $e) {
                throw SharedDiskAway::because($e);
            }
        } catch (FilesystemException $e) {
            throw SharedDiskAway::because($e);
        }
    }

    /** @return array{string, int} hash and bytes of what arrived */
    private function copy(string $name, string $to): array
    {
        $out = @fopen($to, 'w') ?: throw DiskFull::writing('the copy of a file');
        $hash = hash_init(self::HASH);
        $bytes = 0;
        try {
            $in = $this->disk->readStream($name);
            // A stream that gives nothing has ended, or was cut off: the hash tells which.
            while (($piece = (string) fread($in, self::PIECE)) !== '') {
                hash_update($hash, $piece);
                $bytes += strlen($piece);
                if (@fwrite($out, $piece) !== strlen($piece)) {
                    throw DiskFull::writing('the copy of a file');
                }
            }
            fclose($in);
        } catch (FilesystemException $e) {
            throw SharedDiskAway::because($e);
        } finally {
            fclose($out);
        }

        return [hash_final($hash), $bytes];
    }
}
