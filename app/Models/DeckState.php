<?php

namespace App\Models;

enum DeckState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function isOpen(): bool
    {
        return $this === self::Waiting || $this === self::Running;
    }
}
