<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A film as it was published.
 *
 * @property string $id
 * @property string $publication_id
 * @property string $export_id
 * @property int $number counted from 1
 * @property string $note what is new in it
 * @property string|null $user_id whoever published it
 * @property Carbon $created_at
 * @property-read Export $export
 */
final class Version extends Model
{
    use HasUlids;

    protected $guarded = [];

    /** @return BelongsTo<Export, $this> */
    public function export(): BelongsTo
    {
        return $this->belongsTo(Export::class);
    }
}
