<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file that comes in pieces.
 *
 * @property string $id
 * @property string|null $path on the media disk: the pieces so far, joined
 * @property int $next_chunk
 * @property int $bytes
 */
abstract class ChunkedUpload extends Model
{
    abstract public function isGrowing(): bool;

    /** What it is to the presenter, as a sentence begins with it. */
    abstract public function called(): string;
}
