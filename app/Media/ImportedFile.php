<?php

declare(strict_types=1);

namespace App\Media;

/** A file that somebody brings in, as it lies on this machine. */
final readonly class ImportedFile
{
    /**
     * @param  string  $name  as its owner calls it
     * @param  string|null  $problem  a sentence, when it did not arrive whole
     */
    public function __construct(public string $path, public string $name, public ?string $problem = null)
    {
    }
}
