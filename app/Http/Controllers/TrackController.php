<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AppendChunk;
use App\Http\Requests\ChunkRequest;
use App\Models\Track;
use App\OperationRejected;
use Illuminate\Http\JsonResponse;

final class TrackController
{
    /** The chunk's bytes are the body; the header X-Chunk-SHA256 tells what they should be. */
    public function append(ChunkRequest $request, Track $track, int $number, AppendChunk $append): JsonResponse
    {
        $bytes = $request->bytes('a recording');
        if ($track->bytes + strlen($bytes) > config('reel.limits.recording_bytes')) {
            throw OperationRejected::badInput(
                'This take has become larger than 8 GB. Stop here and go on with another take; what was recorded is safe.',
            );
        }

        return new JsonResponse(['next' => $append($track, $number, $bytes, $request->sha256())]);
    }
}
