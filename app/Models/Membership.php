<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use OpenReel\Core\People\Role;

/**
 * That somebody takes part in a lesson, or in a course and so in all its lessons.
 *
 * @property string $id
 * @property string $user_id
 * @property string|null $lesson_id
 * @property string|null $course_id
 * @property Role $role
 * @property Carbon $created_at
 * @property-read User $user
 */
final class Membership extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['role' => Role::class];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
