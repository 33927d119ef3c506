<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A lesson on the course site. Its link stays the same from version to version.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string $token part of its link; cannot be guessed
 * @property string|null $password hashed
 * @property Carbon|null $ends_on the last day on which it is shown
 * @property bool $for_review it shows a draft to those who are to say what they think of it
 * @property bool $open_to_links a draft that whoever has its link may see
 * @property Carbon|null $withdrawn_at
 * @property-read Lesson $lesson
 */
final class Publication extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['for_review' => false, 'open_to_links' => false];

    /** What of a lesson viewers see, or those who review it. */
    public static function of(Lesson $lesson, bool $forReview = false): ?self
    {
        return self::query()->where('lesson_id', $lesson->id)->where('for_review', $forReview)->first();
    }

    protected function casts(): array
    {
        return ['ends_on' => 'date', 'withdrawn_at' => 'datetime', 'for_review' => 'boolean', 'open_to_links' => 'boolean'];
    }

    /** @return BelongsTo<Lesson, $this> */
    public function lesson(): BelongsTo
    {
        return $this->belongsTo(Lesson::class);
    }

    /** @return HasMany<Version, $this> the newest first */
    public function versions(): HasMany
    {
        $versions = $this->hasMany(Version::class);
        $versions->orderByDesc('number');

        return $versions;
    }

    /** @return HasMany<Comment, $this> in the order of the film, without those that wait to be looked at */
    public function comments(): HasMany
    {
        $comments = $this->hasMany(Comment::class);
        $comments->whereNull('held_at');
        $comments->orderBy('at_ms')->orderBy('id');

        return $comments;
    }

    public function current(): Version
    {
        return $this->versions()->firstOrFail();
    }

    public function isShown(): bool
    {
        return $this->withdrawn_at === null && ($this->ends_on === null || ! $this->ends_on->endOfDay()->isPast());
    }

    /** What a browser that knows the password holds; another password makes it worthless. */
    public function pass(): string
    {
        return hash_hmac('sha256', "{$this->id}/{$this->password}", (string) config('app.key'));
    }
}
