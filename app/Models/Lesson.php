<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\LessonFactory;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property string $title
 * @property int $width
 * @property int $height
 * @property int $fps
 * @property string|null $course_id
 * @property array<string, string|int|null> $style what this lesson has otherwise than its course
 * @property string $script the whole script, as core/Script reads it
 * @property int $revision counts the script's changes
 * @property bool $needs_approval it is published only when somebody has approved it
 * @property int $changes counts what anybody changed of it
 * @property Carbon $updated_at
 * @property-read Course|null $course
 * @property-read int|null $sections_count
 * @property-read int|null $kept_count
 */
final class Lesson extends Model
{
    /** @use HasFactory<LessonFactory> */
    use HasFactory, HasUlids, SoftDeletes;

    protected $guarded = [];

    protected $attributes = ['style' => '{}', 'script' => '', 'revision' => 0, 'needs_approval' => false];

    protected function casts(): array
    {
        return [
            'style' => 'array', 'width' => 'integer', 'height' => 'integer', 'fps' => 'integer', 'revision' => 'integer',
            'needs_approval' => 'boolean',
        ];
    }

    /** @return BelongsTo<Course, $this> */
    public function course(): BelongsTo
    {
        return $this->belongsTo(Course::class);
    }

    /** @return HasMany<Section, $this> in lesson order */
    public function sections(): HasMany
    {
        $sections = $this->hasMany(Section::class);
        $sections->orderBy('position')->orderBy('id');

        return $sections;
    }

    /** @return HasMany<Slide, $this> in the order of the deck */
    public function slides(): HasMany
    {
        $slides = $this->hasMany(Slide::class);
        $slides->orderBy('position')->orderBy('id');

        return $slides;
    }

    /** @return HasMany<Deck, $this> newest first */
    public function decks(): HasMany
    {
        $decks = $this->hasMany(Deck::class);
        $decks->latest()->orderByDesc('id');

        return $decks;
    }

    /** @return HasMany<Export, $this> newest first */
    public function exports(): HasMany
    {
        $exports = $this->hasMany(Export::class);
        $exports->latest()->orderByDesc('id');

        return $exports;
    }
}
