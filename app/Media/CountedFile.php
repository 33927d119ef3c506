<?php

declare(strict_types=1);

namespace App\Media;

/**
 * A file whose reader somebody watches: what sends it somewhere else says nothing of how far it is. Whoever counts may throw,
 * and so end it.
 */
final class CountedFile
{
    private const SCHEME = 'counted';

    /** @var resource|null set by PHP */
    public $context;

    /** @var resource */
    private $file;

    /** @var callable(int): void */
    private $count;

    private int $furthest = 0;

    /**
     * @param  callable(int): void  $count  told the furthest place that was read; parts may be read twice
     * @return resource
     *
     * @throws MissingFile
     */
    public static function open(string $path, callable $count)
    {
        if (! in_array(self::SCHEME, stream_get_wrappers(), true)) {
            stream_wrapper_register(self::SCHEME, self::class);
        }
        $options = stream_context_create([self::SCHEME => ['path' => $path, 'count' => $count]]);
        $stream = @fopen(self::SCHEME.'://file', 'rb', false, $options);

        return $stream === false ? throw MissingFile::named(basename($path)) : $stream;
    }

    public function stream_open(): bool
    {
        $context = $this->context ?? throw new \LogicException('Opened without a file.');
        ['path' => $path, 'count' => $this->count] = stream_context_get_options($context)[self::SCHEME];
        $file = @fopen($path, 'rb');
        if ($file === false) {
            return false;
        }
        $this->file = $file;

        return true;
    }

    public function stream_read(int $bytes): string|false
    {
        $read = fread($this->file, max(1, $bytes));
        $at = (int) ftell($this->file);
        if ($at > $this->furthest) {
            $this->furthest = $at;
            ($this->count)($at);
        }

        return $read;
    }

    public function stream_seek(int $to, int $from): bool
    {
        return fseek($this->file, $to, $from) === 0;
    }

    public function stream_tell(): int
    {
        return (int) ftell($this->file);
    }

    public function stream_eof(): bool
    {
        return feof($this->file);
    }

    /** @return array<int|string, int>|false */
    public function stream_stat(): array|false
    {
        return fstat($this->file);
    }

    public function stream_close(): void
    {
        fclose($this->file);
    }
}
