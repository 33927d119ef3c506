<?php

declare(strict_types=1);

namespace App\Actions\Takes;

use App\Models\Take;
use App\OperationRejected;

/** Writes at a marker what it was dropped for. */
final class NoteMarker
{
    /** @throws OperationRejected when there is no such marker */
    public function __invoke(Take $take, int $marker, string $says): void
    {
        if (! isset($take->summary->markers[(string) $marker])) {
            throw OperationRejected::badInput('There is no such marker in this take.');
        }
        $take->update(['marker_notes' => [(string) $marker => $says] + $take->marker_notes]);
        $take->section->touch();
    }
}
