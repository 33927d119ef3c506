<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\OperationRejected;
use Illuminate\Foundation\Http\FormRequest;

/** A piece of a file that comes in pieces: its bytes are the body, their checksum a header. */
final class ChunkRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [];
    }

    /**
     * @param  string  $of  what it is a piece of, as it is called to the presenter
     *
     * @throws OperationRejected when it is empty or too large
     */
    public function bytes(string $of): string
    {
        $bytes = $this->getContent();
        if ($bytes === '' || strlen($bytes) > config('reel.limits.chunk_bytes')) {
            throw OperationRejected::badInput("A piece of {$of} has at least 1 byte and at most 16 MB.");
        }

        return $bytes;
    }

    public function sha256(): string
    {
        return $this->headers->get('X-Chunk-SHA256') ?? '';
    }
}
