<?php

declare(strict_types=1);

namespace App\Media\Shared;

enum PendingOp: string
{
    case Put = 'put';
    case Remove = 'remove';
}
