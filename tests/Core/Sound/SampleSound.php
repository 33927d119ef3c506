<?php

declare(strict_types=1);

namespace Tests\Core\Sound;

use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\Levels;

/** Made-up sound for tests: stretches of noise, tone or silence, as raw PCM. */
final class SampleSound
{
    private string $pcm = '';

    public static function start(): self
    {
        mt_srand(11);

        return new self;
    }

    /** @param  float  $db  root mean square, dBFS */
    public function noise(int $milliseconds, float $db): self
    {
        // Evenly spread values between -a and a have a root mean square of a / sqrt(3).
        $size = (int) round(32768 * sqrt(3) * 10 ** ($db / 20));

        return $this->add($milliseconds, fn (): int => mt_rand(-$size, $size));
    }

    public function silence(int $milliseconds): self
    {
        return $this->add($milliseconds, fn (): int => 0);
    }

    /** A steady value, such as full scale. */
    public function flat(int $milliseconds, int $value): self
    {
        return $this->add($milliseconds, fn (): int => $value);
    }

    /** @return resource */
    public static function memory()
    {
        return fopen('php://memory', 'w+') ?: throw new \RuntimeException('no memory');
    }

    public function levels(): Levels
    {
        $stream = self::memory();
        fwrite($stream, $this->pcm);
        rewind($stream);

        return LevelReader::read($stream);
    }

    private function add(int $milliseconds, \Closure $sample): self
    {
        for ($i = 0; $i < $milliseconds * 48; $i++) {
            $this->pcm .= pack('v', $sample() & 0xFFFF);
        }

        return $this;
    }
}
