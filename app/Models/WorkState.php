<?php

declare(strict_types=1);

namespace App\Models;

/** How far a long piece of work has come: an export, a file of slides. */
enum WorkState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    /** Not over yet. */
    public const OPEN = [self::Waiting, self::Running];

    public function isOpen(): bool
    {
        return in_array($this, self::OPEN, true);
    }
}
