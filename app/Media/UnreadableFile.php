<?php

declare(strict_types=1);

namespace App\Media;

/** Somebody's file cannot be used. The message is a sentence for the presenter. */
final class UnreadableFile extends InfrastructureFailure
{
    public static function because(string $sentence, string $detail = ''): self
    {
        return new self($sentence, $detail);
    }
}
