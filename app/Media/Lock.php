<?php

declare(strict_types=1);

namespace App\Media;

interface Lock
{
    public function release(): void;
}
