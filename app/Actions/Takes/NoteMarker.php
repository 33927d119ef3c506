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
        $markers = $take->markers;
        $index = array_search($marker, array_column($markers, 'id'), true);
        if ($index === false) {
            throw OperationRejected::badInput('There is no such marker in this take.');
        }
        $markers[$index]['says'] = $says;
        $take->update(['markers' => array_values($markers)]);
        $take->section->touch();
    }
}
