<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A browser in which somebody has signed in.
 *
 * @property string $id
 * @property string $user_id
 * @property string $name what it is, as far as it says so
 * @property string|null $token SHA-256 of what it is remembered by; null where it is not
 * @property string $mark of its person when they signed in, see User::mark
 * @property Carbon $used_at
 * @property User $user
 */
final class Device extends Model
{
    use HasUlids;

    /** So long somebody stays signed in without coming back: where they asked for it, and where not. */
    public const REMEMBERED_DAYS = 180;

    public const HOURS = 12;

    protected $guarded = [];

    protected $hidden = ['token', 'mark'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return Builder<self> those in which somebody is still signed in */
    public static function living(): Builder
    {
        $remembered = fn (Builder $q) => $q->whereNotNull('token')->where('used_at', '>', now()->subDays(self::REMEMBERED_DAYS));

        return self::query()->where(
            fn (Builder $q) => $q->where('used_at', '>', now()->subHours(self::HOURS))->orWhere($remembered),
        );
    }

    /** When it was used last, in words. */
    public function ago(): string
    {
        return $this->used_at->diffForHumans(options: CarbonInterface::JUST_NOW);
    }

    protected function casts(): array
    {
        return ['used_at' => 'datetime'];
    }
}
