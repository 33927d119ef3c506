<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\SectionFactory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * @property string $id
 * @property string $lesson_id
 * @property string|null $slide_id the slide it begins with
 * @property int $position
 * @property string $heading
 * @property string $script its part of the lesson's script, without the heading
 * @property-read Lesson $lesson
 * @property-read Slide|null $slide
 * @property-read Collection<int, Take> $takes
 */
final class Section extends Model
{
    /** @use HasFactory<SectionFactory> */
    use HasFactory, HasUlids, SoftDeletes;

    protected $guarded = [];

    /** @var list<string> */
    protected $touches = ['lesson'];

    protected $attributes = ['heading' => '', 'script' => ''];

    /** @return BelongsTo<Lesson, $this> */
    public function lesson(): BelongsTo
    {
        return $this->belongsTo(Lesson::class);
    }

    /** @return BelongsTo<Slide, $this> */
    public function slide(): BelongsTo
    {
        return $this->belongsTo(Slide::class);
    }

    /** @return HasMany<Take, $this> by number */
    public function takes(): HasMany
    {
        $takes = $this->hasMany(Take::class);
        $takes->orderBy('number');

        return $takes;
    }
}
