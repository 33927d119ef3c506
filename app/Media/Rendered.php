<?php

declare(strict_types=1);

namespace App\Media;

/** A finished piece in the render cache. */
final readonly class Rendered
{
    /**
     * @param  string  $path  absolute
     * @param  array<string, mixed>  $meta  what was measured while making it
     */
    public function __construct(public string $path, public array $meta)
    {
    }
}
