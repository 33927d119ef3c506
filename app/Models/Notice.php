<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What somebody is told that others did.
 *
 * @property string $id
 * @property string $user_id
 * @property string $says
 * @property string $path where it leads, on this server
 * @property Carbon|null $read_at
 * @property Carbon|null $mailed_at
 * @property Carbon $created_at
 */
final class Notice extends Model
{
    use HasUlids;

    public const UPDATED_AT = null;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['read_at' => 'datetime', 'mailed_at' => 'datetime'];
    }
}
