<?php

declare(strict_types=1);

namespace App\Media;

final class ProgramFailed extends InfrastructureFailure
{
    private const LOG_TAIL = 4000;

    /** It was stopped because it worked on and on; a damaged file ends sooner. */
    public bool $tookTooLong = false;

    /** @param  list<string>  $command */
    public static function tookTooLong(array $command, float $seconds): self
    {
        $failure = self::running($command, -1, "stopped after {$seconds} s");
        $failure->tookTooLong = true;

        return $failure;
    }

    /** @param  list<string>  $command */
    public static function saidTooMuch(array $command): self
    {
        return self::running($command, -1, 'stopped: it said more than anybody reads');
    }

    public static function cutShort(string $file, float $made, float $meant): self
    {
        return new self(
            'The server could not make the whole of this file. Your takes are safe; the details are in the server\'s log.',
            sprintf('%s lasts %.2f s instead of %.2f s', $file, $made, $meant),
        );
    }

    public static function wroteNothing(string $file): self
    {
        return new self(
            'The server could not make this file. Your takes are safe; the details are in the server\'s log.',
            "nothing was written to {$file}",
        );
    }

    /** @param  list<string>  $command */
    public static function running(array $command, int $exit, string $log): self
    {
        return new self(
            'The server could not work on this file. Your takes are safe; the details are in the server\'s log.',
            sprintf(
                "exit %d: %s\n%s",
                $exit,
                implode(' ', array_map(escapeshellarg(...), $command)),
                substr($log, -self::LOG_TAIL),
            ),
        );
    }
}
