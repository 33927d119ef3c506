<?php

declare(strict_types=1);

namespace App\Media\Shared;

enum Owed: string
{
    case Put = 'put';
    case Remove = 'remove';
}
