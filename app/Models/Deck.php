<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file of slides being brought in, and afterwards the source from which its pages can be drawn again.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string $name what the presenter's file was called; shown, never used as a path
 * @property string $path on the media disk: the file as it came, then the PDF made from it
 * @property string $purpose `add` to the lesson's slides, or `replace` them
 * @property WorkState $state
 * @property int $done pages drawn so far
 * @property int $total
 * @property string|null $problem
 * @property array<string, mixed> $report
 * @property-read Lesson $lesson
 */
final class Deck extends Model
{
    use HasUlids, HasWorkState;

    protected $guarded = [];

    protected $attributes = ['done' => 0, 'total' => 0, 'report' => '{}'];

    protected function casts(): array
    {
        return ['state' => WorkState::class, 'report' => 'array'];
    }

    /** @return BelongsTo<Lesson, $this> */
    public function lesson(): BelongsTo
    {
        return $this->belongsTo(Lesson::class)->withTrashed();
    }

    /** Whether it becomes one slide: a drawing, a short film. */
    public function isSingle(): bool
    {
        return preg_match('/\.(pdf|pptx|odp)$/', $this->path) !== 1;
    }
}
