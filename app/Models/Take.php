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
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Take\Verdict;

/**
 * @property string $id
 * @property string $section_id where it hangs now: where most of its lines are
 * @property string|null $recorded_in the section it was recorded for
 * @property int $number counted from 1 within the section it was recorded for, never given twice
 * @property TakeState $state
 * @property Verdict $verdict
 * @property string|null $problem
 * @property int $length_ticks
 * @property int|null $speech_from tick where the part found by listening starts, padding included
 * @property int|null $speech_until
 * @property int|null $used_from tick the presenter chose instead, null when the found one is used
 * @property int|null $used_until
 * @property list<string> $flags
 * @property list<array{id: string, text: string}> $lines as the script had them when it was recorded
 * @property int $expected_ms how long its lines take to say at the assumed pace
 * @property int $silence_ms how long the script asked to be silent meanwhile
 * @property array<string, int> $line_ticks when each of them begins, by line id
 * @property int|null $camera_width
 * @property int|null $camera_height
 * @property string|null $colour_range how the picture's colours are meant, as its file says, or `unknown`; see OpenReel\Core\Picture\SourceColour
 * @property string|null $colour_matrix
 * @property bool $recording_kept what came from the recorder is still there, and can be read again
 * @property string|null $media_path what is played back and shown: picture, and sound for the browser
 * @property string|null $media_mime
 * @property string|null $media_hash
 * @property string|null $sound_path FLAC, 48 kHz mono
 * @property string|null $sound_hash
 * @property float|null $loudness
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

    protected $attributes = ['verdict' => 'undecided', 'flags' => '[]', 'lines' => '[]', 'line_ticks' => '{}', 'length_ticks' => 0, 'recording_kept' => true];

    protected function casts(): array
    {
        return ['state' => TakeState::class, 'verdict' => Verdict::class, 'flags' => 'array', 'lines' => 'array', 'line_ticks' => 'array', 'loudness' => 'float', 'recording_kept' => 'boolean'];
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

    public function colour(): ?SourceColour
    {
        return $this->camera_height === null ? null : SourceColour::told($this->colour_range, $this->colour_matrix, $this->camera_height);
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
