<?php

declare(strict_types=1);

namespace App\Media;

/** A piece was planned for another version of the encoder: pieces made by different ones are never joined. */
final class OtherEncoder extends InfrastructureFailure
{
    public static function than(string $version): self
    {
        return new self('The server\'s encoder has changed meanwhile. Nothing is lost; export again.', "planned for {$version}");
    }
}
