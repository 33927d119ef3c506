<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\TakeFactory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\SpokenLine;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/**
 * @property string $id
 * @property string $section_id where it hangs now: where most of its lines are
 * @property string|null $user_id who records it; null where one works alone
 * @property string|null $recorded_in the section it was recorded for
 * @property int $number counted from 1 within the section it was recorded for, never given twice
 * @property TakeState $state
 * @property Verdict $verdict
 * @property string|null $problem
 * @property list<array{id: string, text: string}> $lines as the script had them when it was recorded
 * @property list<array{int, int}>|null $trim ticks from and until of each stretch the presenter chose; null when what was found
 *    is used
 * @property array<string, string> $marker_notes what the presenter wrote at places to come back to, by their number
 * @property int $expected_ms how long its lines take to say at the assumed pace
 * @property int $silence_ms how long the script asked to be silent meanwhile
 * @property list<array{line: string, within: float, cue: string}> $given cues given while it was recorded that the script does
 *    not hold yet
 * @property list<array{int, int}> $cuts ticks from and until of what the presenter leaves out
 * @property list<array{int, int}> $silences ticks from and until of what is silent in the film
 * @property array<string, mixed>|null $cleaning how its sound is cleaned, otherwise than its lesson's
 * @property array{brightness: int, contrast: int, warmth: int, saturation: int}|null $adjustment of the camera's picture
 * @property array{x: float, y: float, width: float, height: float}|null $framing part of the camera's picture that is shown
 * @property array{x: float, y: float, width: float, height: float}|null $area part of the screen that is shown
 * @property int $event_rows of its event log that have arrived
 * @property int $event_bytes of these rows
 * @property int $kept_order of two kept takes, the one with the higher order was kept later; 0 when it was not
 * @property bool $recording_kept what came from the recorder is still there, and can be read again
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Section $section
 * @property-read Collection<int, Track> $tracks
 * @property-read TakeSummary $summary what it comes to with all that was found out and decided
 */
final class Take extends Model
{
    /** @use HasFactory<TakeFactory> */
    use HasFactory, HasUlids;

    protected $guarded = [];

    protected $attributes = [
        'verdict' => 'undecided',
        'lines' => '[]',
        'marker_notes' => '{}',
        'given' => '[]',
        'cuts' => '[]',
        'silences' => '[]',
        'event_rows' => 0,
        'event_bytes' => 0,
        'kept_order' => 0,
        'recording_kept' => true,
    ];

    protected function casts(): array
    {
        return [
            'state' => TakeState::class,
            'verdict' => Verdict::class,
            'lines' => 'array',
            'trim' => 'array',
            'marker_notes' => 'array',
            'given' => 'array',
            'cuts' => 'array',
            'silences' => 'array',
            'cleaning' => 'array',
            'adjustment' => 'array',
            'framing' => 'array',
            'area' => 'array',
            'recording_kept' => 'boolean',
        ];
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class)->withTrashed();
    }

    /** @return HasMany<Track, $this> */
    public function tracks(): HasMany
    {
        return $this->hasMany(Track::class);
    }

    /** @return HasMany<TakeResult, $this> */
    public function results(): HasMany
    {
        return $this->hasMany(TakeResult::class);
    }

    /** @return HasOne<TakeSummary, $this> */
    public function summary(): HasOne
    {
        return $this->hasOne(TakeSummary::class);
    }

    /** @return list<SpokenLine> those it was recorded for */
    public function spokenLines(): array
    {
        return array_map(fn (array $l): SpokenLine => new SpokenLine($l['id'], $l['text']), $this->lines);
    }

    public function track(TrackKind $kind): ?Track
    {
        return $this->tracks->first(fn (Track $t): bool => $t->kind === $kind);
    }

    /** What is played back of it: the picture with the voice, or the voice alone. */
    public function played(): ?Track
    {
        foreach ([TrackKind::Camera, TrackKind::Microphone, TrackKind::Screen, TrackKind::Computer] as $kind) {
            $track = $this->track($kind);
            if ($track?->file_path !== null) {
                return $track;
            }
        }

        return null;
    }

    public function lesson(): Lesson
    {
        return $this->section->lesson()->withTrashed()->firstOrFail();
    }

    /** Folder on the media disk that holds everything of this take. */
    public function folder(): string
    {
        return "lessons/{$this->section->lesson_id}/takes/{$this->id}";
    }
}
