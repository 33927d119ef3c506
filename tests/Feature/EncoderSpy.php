<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Media\Encoder;

/** The real encoder, with a note of what it was asked to do. */
final class EncoderSpy implements Encoder
{
    /** @var list<string> */
    private array $kinds = [];

    /**
     * @param  \Closure|null  $before  called before every command; may throw
     * @param  \Closure|null  $after  called with the arguments after every command
     */
    public function __construct(
        private readonly Encoder $encoder,
        private readonly ?\Closure $before = null,
        private readonly ?\Closure $after = null,
    ) {
    }

    public function version(): string
    {
        return $this->encoder->version();
    }

    public function run(array $arguments, ?callable $progress = null, ?float $seconds = null): string
    {
        $command = implode(' ', $arguments);
        $this->kinds[] = match (true) {
            str_contains($command, 'stitchable') => 'segment',
            str_contains($command, 'ffmetadata') => 'join',
            str_contains($command, 'pcm_s16le') => 'sound',
            str_contains($command, '-c:a aac') => 'soundtrack',
            preg_match('/\.(?:jpg|m4a|mp3)$/', $command) === 1 => 'beside',
            default => 'measure',
        };
        if ($this->before !== null) {
            ($this->before)();
        }

        $log = $this->encoder->run($arguments, $progress, $seconds);
        if ($this->after !== null) {
            ($this->after)($arguments);
        }

        return $log;
    }

    /** @return list<string> */
    public function kinds(): array
    {
        return $this->kinds;
    }

    public function count(string $kind): int
    {
        return count(array_keys($this->kinds, $kind, true));
    }

    public function clear(): void
    {
        $this->kinds = [];
    }
}
