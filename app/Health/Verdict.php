<?php

declare(strict_types=1);

namespace App\Health;

enum Verdict: string
{
    case Good = 'good';
    case Doubtful = 'doubtful';
    case Bad = 'bad';
}
