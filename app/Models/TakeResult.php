<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use OpenReel\Core\Take\ResultStage;

/**
 * What was found out about a take, whole and never changed: what is found out later is another row.
 *
 * @property int $id rises: of two, the one with the higher id was found later
 * @property string $take_id
 * @property ResultStage $stage
 * @property int $version of whoever found it: `VERSION` of its class
 * @property string $input_hash of everything it was made from
 * @property array<string, mixed> $result as `toArray` of IngestResult, AlignmentResult or AnalysisResult gives it
 * @property Carbon $created_at
 */
final class TakeResult extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected static function booted(): void
    {
        self::updating(fn () => throw new \LogicException('A result is never changed: what is found out later is another row.'));
    }

    protected function casts(): array
    {
        return ['stage' => ResultStage::class, 'result' => 'array'];
    }
}
