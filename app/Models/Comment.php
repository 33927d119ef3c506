<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What somebody says of a moment of a published film, or an answer to it.
 *
 * @property string $id
 * @property string $publication_id
 * @property string|null $answers id of the comment it answers
 * @property int $version of the film it was said of
 * @property int $at_ms
 * @property string|null $section_id
 * @property string|null $line_id the line that is said at that moment
 * @property string $line_text as it was then
 * @property string $name
 * @property bool $by_presenter
 * @property string $text
 * @property Carbon|null $done_at
 * @property int|null $done_in the version in which it is put right
 * @property Carbon|null $hidden_at
 * @property Carbon|null $held_at came with so many others that somebody is to look at it first
 * @property Carbon $created_at
 * @property-read Publication $publication
 */
final class Comment extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['by_presenter' => false, 'line_text' => ''];

    protected function casts(): array
    {
        return ['by_presenter' => 'boolean', 'done_at' => 'datetime', 'hidden_at' => 'datetime', 'held_at' => 'datetime'];
    }

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }
}
