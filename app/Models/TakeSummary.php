<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use OpenReel\Core\Take\AlignmentStatus;

/**
 * What is asked of many takes at once, computed from a take's results and what was decided for it. Written by
 * App\Actions\Takes\SummariseTake and by nothing else; it can be computed again at any time.
 *
 * @property string $take_id
 * @property int $length_ticks
 * @property int|null $speech_from tick where the part that was found starts; null when no speech was found
 * @property int|null $speech_until
 * @property list<array{int, int}> $used ticks from and until of each stretch that is used
 * @property int $used_ticks how long these are together
 * @property list<string> $flags
 * @property list<string>|null $spoken ids of the lines it speaks, in order; null while that is not known
 * @property list<string> $repeated ids of those that were begun more than once
 * @property array<string, int> $starts tick at which each of its lines begins, by id
 * @property array<string, int> $cut_points where it can be cut before each of them
 * @property list<string> $flawed ids of lines that are not said well in it
 * @property list<array{int, int}> $retakes ticks from and until of what was restarted with the key
 * @property list<array{int, int}> $omitted the same of what was said again, as it was heard
 * @property list<array{int, int}> $tightened and of what is taken out of long pauses
 * @property array<string, int> $markers tick of each, by number
 * @property AlignmentStatus|null $alignment null while its words were not listened for
 * @property bool $is_analysed
 */
final class TakeSummary extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'take_id';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @param  Builder<self>  $all  narrowed to takes of which something has still to be found out */
    public static function waiting(Builder $all): void
    {
        $all->where(fn (Builder $q) => $q->whereNull('alignment')->orWhere('is_analysed', false));
    }

    protected function casts(): array
    {
        return [
            'used' => 'array',
            'flags' => 'array',
            'spoken' => 'array',
            'repeated' => 'array',
            'starts' => 'array',
            'cut_points' => 'array',
            'flawed' => 'array',
            'retakes' => 'array',
            'omitted' => 'array',
            'tightened' => 'array',
            'markers' => 'array',
            'alignment' => AlignmentStatus::class,
            'is_analysed' => 'boolean',
        ];
    }
}
