<?php

declare(strict_types=1);

namespace App\Media;

final class ProgramFailed extends Trouble
{
    private const LOG_TAIL = 4000;

    /** @param  list<string>  $command */
    public static function running(array $command, int $exit, string $log): self
    {
        return new self(
            'The server could not work on this file. Your takes are safe; the details are in the server\'s log.',
            sprintf("exit %d: %s\n%s", $exit, implode(' ', array_map(escapeshellarg(...), $command)), substr($log, -self::LOG_TAIL)),
        );
    }
}
