<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A film that is put into the folder of a course site of one's own, or was.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string|null $export_id
 * @property string $folder of the lesson, in the site's folder; it stays when the lesson is called otherwise
 * @property int $number of the version, counted from 1
 * @property WorkState $state
 * @property int $done bytes that are there
 * @property int $total
 * @property string|null $problem
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Export|null $export
 */
final class Delivery extends Model
{
    use HasUlids, HasWorkState;

    protected $guarded = [];

    protected $attributes = ['done' => 0, 'total' => 0];

    protected function casts(): array
    {
        return ['state' => WorkState::class];
    }

    /** @return BelongsTo<Export, $this> */
    public function export(): BelongsTo
    {
        return $this->belongsTo(Export::class);
    }
}
