<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A take that was set aside and then cleared. Its files stay where they are until it goes for good.
 *
 * @property string $id of the take
 * @property string $lesson_id
 * @property string|null $recorded_in
 * @property int $number
 * @property int $bytes of its files
 * @property array{take: array<string, mixed>, tracks: list<array<string, mixed>>,
 *    results: list<array<string, mixed>>} $record its rows, as they were
 * @property Carbon $cleared_at
 */
final class ClearedTake extends Model
{
    use HasUlids;

    /** For so long it can be brought back. */
    public const DAYS = 30;

    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['record' => 'array', 'cleared_at' => 'datetime'];
    }
}
