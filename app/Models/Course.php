<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * @property string $id
 * @property string $name
 * @property string|null $token part of the link to its page on the course site; null until somebody wants one
 * @property array<string, string|int|null> $style what its house style says; the rest is as by default
 */
final class Course extends Model
{
    use HasUlids, SoftDeletes;

    protected $guarded = [];

    protected $attributes = ['style' => '{}'];

    protected function casts(): array
    {
        return ['style' => 'array'];
    }

    /** @return HasMany<Lesson, $this> */
    public function lessons(): HasMany
    {
        return $this->hasMany(Lesson::class);
    }

    /** @return HasMany<Logo, $this> */
    public function logos(): HasMany
    {
        return $this->hasMany(Logo::class);
    }
}
