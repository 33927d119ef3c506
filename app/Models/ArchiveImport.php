<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Support\Carbon;

/**
 * An archive of lessons on its way in.
 *
 * @property string $id
 * @property string|null $user_id who sends it; null where one works alone
 * @property string $name what the file was called; shown, never used as a path
 * @property string $path on the media disk, until it is unpacked
 * @property WorkState $state
 * @property bool $whole all of it has arrived
 * @property int $next_chunk
 * @property int $bytes that have arrived
 * @property int $done bytes unpacked
 * @property int $total
 * @property string|null $problem
 * @property list<array{id: string, title: string, same: bool}> $made lessons, and whether each makes the same film as before
 * @property Carbon $updated_at
 */
final class ArchiveImport extends ChunkedUpload
{
    use HasUlids, HasWorkState;

    protected $guarded = [];

    protected $attributes = ['whole' => false, 'next_chunk' => 0, 'bytes' => 0, 'done' => 0, 'total' => 0, 'made' => '[]'];

    protected function casts(): array
    {
        return ['state' => WorkState::class, 'whole' => 'boolean', 'made' => 'array'];
    }

    public function isGrowing(): bool
    {
        return ! $this->whole && $this->state === WorkState::Waiting;
    }

    public function called(): string
    {
        return 'This archive';
    }
}
