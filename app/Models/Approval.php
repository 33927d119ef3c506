<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * That somebody found a draft good, as it was then.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string $version_id of the draft for review
 * @property string $user_id
 * @property string $person what they were called then
 * @property int $revision of the script that the draft shows
 * @property string|null $made_of what the draft was made of, see Export
 * @property Carbon $created_at
 * @property-read Version $version
 */
final class Approval extends Model
{
    use HasUlids;

    protected $guarded = [];

    /** @return BelongsTo<Version, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
    }
}
