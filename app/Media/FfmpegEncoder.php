<?php

declare(strict_types=1);

namespace App\Media;

use Illuminate\Support\Facades\Cache;
use Symfony\Component\Process\ExecutableFinder;

final class FfmpegEncoder implements Encoder
{
    private ?string $version = null;

    public function __construct(private readonly string $program)
    {
    }

    public function version(): string
    {
        return $this->version ??= $this->rememberedVersion();
    }

    /** Asking the program takes a tenth of a second, so the answer is kept for as long as the program's file is the same. */
    private function rememberedVersion(): string
    {
        // The finder looks for names only.
        $isPath = str_contains($this->program, '/');
        $file = $isPath && is_executable($this->program) ? $this->program : (new ExecutableFinder())->find($this->program);
        if ($file === null) {
            throw ProgramMissing::named($this->program);
        }

        return Cache::rememberForever(
            // Another machine that shares the cache may have another one in the same place.
            'encoder-version/'.gethostname()."/{$file}/".filemtime($file),
            fn (): string => strtok(Program::run([$file, '-version'])['output'], "\n") ?: 'unknown',
        );
    }

    public function run(array $arguments, ?callable $progress = null, ?float $seconds = null): string
    {
        $command = [$this->program, '-hide_banner', '-nostdin', '-nostats', '-y', '-loglevel', 'info'];
        if ($progress !== null) {
            array_push($command, '-stats_period', '0.2', '-progress', 'pipe:1');
        }
        array_push($command, ...$arguments);

        return Program::run(
            $command,
            $progress === null
                ? null
                : function (string $text) use ($progress): void {
                    if (preg_match_all('/^frame=\s*(\d+)/m', $text, $matches) > 0) {
                        $progress((int) end($matches[1]));
                    }
                },
            seconds: $seconds,
        )['log'];
    }
}
