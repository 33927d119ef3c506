<?php

declare(strict_types=1);

namespace App\Media;

final readonly class PdfFacts
{
    public function __construct(public int $pages, public bool $isLocked)
    {
    }
}
