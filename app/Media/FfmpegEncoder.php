<?php

namespace App\Media;

final class FfmpegEncoder implements Encoder
{
    private ?string $version = null;

    public function __construct(private readonly string $program)
    {
    }

    public function version(): string
    {
        return $this->version ??= strtok(Program::run([$this->program, '-version'])['output'], "\n") ?: 'unknown';
    }

    public function run(array $arguments, ?callable $progress = null): string
    {
        $command = [$this->program, '-hide_banner', '-nostdin', '-nostats', '-y', '-loglevel', 'info'];
        if ($progress !== null) {
            array_push($command, '-stats_period', '0.2', '-progress', 'pipe:1');
        }
        array_push($command, ...$arguments);

        return Program::run($command, $progress === null ? null : function (string $text) use ($progress): void {
            if (preg_match_all('/^frame=\s*(\d+)/m', $text, $matches) > 0) {
                $progress((int) end($matches[1]));
            }
        })['log'];
    }
}
