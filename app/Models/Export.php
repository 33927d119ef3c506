<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use OpenReel\Core\Render\ExportPreset;

/**
 * @property string $id
 * @property string $lesson_id
 * @property WorkState $state
 * @property string $file_name
 * @property string|null $path
 * @property bool $draft a stand-in voice reads in it what is not recorded yet
 * @property int|null $bytes
 * @property int $frames
 * @property string|null $made_of what is seen, heard and said in it, whatever kind of file it is; null where that was not noted
 * @property string|null $plan_hash what the file was made from; another plan makes the file out of date
 * @property float $progress 0..1
 * @property string|null $doing
 * @property string|null $problem
 * @property list<array{name: string, ok: bool, says: string}> $findings
 * @property array<string, mixed> $edition as what it is made, see `edition()`
 * @property string|null $batch what it was asked for together with
 * @property int|null $revision of the script that it is made of
 * @property list<string>|null $beside kinds of files that go with it, see App\Actions\Film\Sidecars
 * @property Carbon|null $started_at
 * @property Carbon|null $finished_at
 * @property Carbon $created_at
 * @property-read Lesson $lesson
 */
final class Export extends Model
{
    use HasUlids, HasWorkState;

    protected $guarded = [];

    protected $attributes = ['draft' => false, 'edition' => '{}', 'findings' => '[]', 'progress' => 0, 'frames' => 0];

    protected function casts(): array
    {
        return [
            'state' => WorkState::class, 'draft' => 'boolean', 'edition' => 'array', 'findings' => 'array',
            'beside' => 'array', 'progress' => 'float',
            'started_at' => 'datetime', 'finished_at' => 'datetime',
        ];
    }

    public function edition(): ExportPreset
    {
        return ExportPreset::parse(['draft' => $this->draft] + $this->edition);
    }

    public function milliseconds(): int
    {
        return (int) round(1000 * $this->frames / $this->lesson->fps);
    }

    /** @return BelongsTo<Lesson, $this> */
    public function lesson(): BelongsTo
    {
        return $this->belongsTo(Lesson::class)->withTrashed();
    }
}
