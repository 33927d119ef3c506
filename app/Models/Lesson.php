<?php

namespace App\Models;

use Database\Factories\LessonFactory;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property string $title
 * @property int $width
 * @property int $height
 * @property int $fps
 * @property Carbon $updated_at
 * @property-read int|null $sections_count
 * @property-read int|null $kept_count
 */
final class Lesson extends Model
{
    /** @use HasFactory<LessonFactory> */
    use HasFactory, HasUlids, SoftDeletes;

    protected $guarded = [];

    /** @return HasMany<Section, $this> in lesson order */
    public function sections(): HasMany
    {
        $sections = $this->hasMany(Section::class);
        $sections->orderBy('position')->orderBy('id');

        return $sections;
    }

    /** @return HasMany<Slide, $this> */
    public function slides(): HasMany
    {
        return $this->hasMany(Slide::class);
    }

    /** @return HasMany<Export, $this> newest first */
    public function exports(): HasMany
    {
        $exports = $this->hasMany(Export::class);
        $exports->latest()->orderByDesc('id');

        return $exports;
    }
}
