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
use Illuminate\Support\Carbon;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\AlignmentStatus;
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
 * @property int $length_ticks
 * @property int|null $speech_from tick where the part found by listening starts, padding included
 * @property int|null $speech_until
 * @property list<array{int, int}>|null $used ticks from and until of each stretch the presenter chose; null when what was found
 *    is used
 * @property int|null $used_ticks how long these are together
 * @property list<string> $flags
 * @property list<array{id: string, text: string}> $lines as the script had them when it was recorded
 * @property int $expected_ms how long its lines take to say at the assumed pace
 * @property int $silence_ms how long the script asked to be silent meanwhile
 * @property array<string, int> $line_ticks when each of them begins, by line id
 * @property array<string, int> $cut_ticks where it can be cut before each of them, by line id
 * @property list<array<string, mixed>> $marks what was drawn while it was recorded, as OpenReel\Core\Take\TakeAnnotation has it, and
 *    what was wiped off: kind `wipe`, with `on` and `from`
 * @property list<array{int, int}> $fluffs ticks from and until of reads that went wrong
 * @property list<array{id: int, at: int, says: string}> $markers places to come back to: tick, and what the presenter wrote there
 * @property list<array{line: string, within: float, cue: string}> $given cues given while it was recorded that the script does
 *    not hold yet
 * @property list<array{line: string, within: float, at: int}> $reached places inside its lines of which the tick is known
 * @property AlignmentStatus|null $hearing whether its words were listened for; null when that has still to be done
 * @property array<string, mixed>|null $heard what was heard: `confidence`, `reads` (line id, kind, ticks from and until,
 *    confidence), `unscripted` and `pauses` (ticks from and until), `missing` (line ids)
 * @property list<string>|null $spoken ids of the lines it speaks, in the order it does; null while that is not known
 * @property list<array{int, int}> $left ticks from and until of reads that are said again, as it was heard
 * @property list<array{int, int}> $cuts ticks from and until of what the presenter leaves out
 * @property list<array{int, int}> $silences ticks from and until of what is silent in the film
 * @property array<string, mixed>|null $inspected what it sounds and looks like, as App\Actions\Takes\InspectTake found it; null
 *    when that has still to be done
 * @property list<array{int, int}> $tightened ticks from and until of what is taken out of long pauses
 * @property list<string> $flawed ids of lines that are not said well in it
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
 */
final class Take extends Model
{
    /** @use HasFactory<TakeFactory> */
    use HasFactory, HasUlids;

    protected $guarded = [];

    protected $attributes = [
        'verdict' => 'undecided',
        'flags' => '[]',
        'lines' => '[]',
        'line_ticks' => '{}',
        'cut_ticks' => '{}',
        'marks' => '[]',
        'fluffs' => '[]',
        'markers' => '[]',
        'given' => '[]',
        'reached' => '[]',
        'left' => '[]',
        'cuts' => '[]',
        'silences' => '[]',
        'tightened' => '[]',
        'flawed' => '[]',
        'length_ticks' => 0,
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
            'flags' => 'array',
            'lines' => 'array',
            'line_ticks' => 'array',
            'cut_ticks' => 'array',
            'marks' => 'array',
            'fluffs' => 'array',
            'markers' => 'array',
            'given' => 'array',
            'reached' => 'array',
            'hearing' => AlignmentStatus::class,
            'heard' => 'array',
            'spoken' => 'array',
            'left' => 'array',
            'cuts' => 'array',
            'silences' => 'array',
            'tightened' => 'array',
            'flawed' => 'array',
            'inspected' => 'array',
            'cleaning' => 'array',
            'adjustment' => 'array',
            'framing' => 'array',
            'area' => 'array',
            'used' => 'array',
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
