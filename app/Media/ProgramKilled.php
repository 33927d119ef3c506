<?php

declare(strict_types=1);

namespace App\Media;

/** An outside program was stopped from outside: that says nothing about the file it worked on. */
final class ProgramKilled extends InfrastructureFailure
{
    /** @param  list<string>  $command */
    public static function running(array $command, int $exit): self
    {
        return new self(
            'The server was interrupted in its work. Your takes are safe; it will be tried again.',
            "{$command[0]} was stopped from outside (exit {$exit})",
        );
    }
}
