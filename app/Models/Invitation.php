<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use OpenReel\Core\People\Role;

/**
 * A link with which somebody may take part. The link itself is known only to whoever was given it.
 *
 * @property string $id
 * @property string $token_hash SHA-256 of what the link ends with
 * @property string|null $lesson_id
 * @property string|null $course_id
 * @property string $invited_by id of a person
 * @property Role $role
 * @property Carbon $ends_at
 * @property Carbon $created_at
 */
final class Invitation extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['role' => Role::class, 'ends_at' => 'datetime'];
    }
}
