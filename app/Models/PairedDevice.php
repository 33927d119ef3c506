<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A phone or another computer that was let in to follow somebody's recording room, and nothing else.
 *
 * @property string $id
 * @property string|null $user_id whose room it follows; null where one works alone
 * @property string $name
 * @property string $network where it was let in from
 * @property string $token SHA-256 of what it is known by
 * @property Carbon $paired_at
 * @property Carbon $used_at
 */
final class PairedDevice extends Model
{
    use HasUlids;

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['token'];

    protected function casts(): array
    {
        return ['paired_at' => 'datetime', 'used_at' => 'datetime'];
    }
}
