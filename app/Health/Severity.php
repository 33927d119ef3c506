<?php

declare(strict_types=1);

namespace App\Health;

enum Severity: string
{
    case Good = 'good';
    case Doubtful = 'doubtful';
    case Bad = 'bad';
}
