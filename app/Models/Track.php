<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use OpenReel\Core\Picture\SourceColour;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Take\TakeState;

/**
 * One stream of a take: how it comes from the recorder, and the file that was made of it.
 *
 * @property string $id
 * @property string $take_id
 * @property TrackKind $kind
 * @property string|null $mime of what the recorder sends
 * @property string|null $path on the media disk: the chunks so far, joined; null for a track that came inside another one's
 *    recording
 * @property int $next_chunk
 * @property int $bytes
 * @property string|null $file_path what is played, shown and cut: of a camera the picture with the voice for playing, of a
 *    sound FLAC at 48 kHz, mono
 * @property string|null $file_mime
 * @property string|null $hash SHA-256 of that file
 * @property int|null $width of a picture, as shown
 * @property int|null $height
 * @property string|null $colour_range how a picture's colours are meant, as its file says, or `unknown`; see
 *    OpenReel\Core\Picture\SourceColour
 * @property string|null $colour_matrix
 * @property int $length_ticks
 * @property int $offset_ticks moment of the take at which the file begins; below zero when it begins before
 * @property float|null $loudness LUFS of a sound, all of it
 * @property float|null $peak dBFS of a sound's largest sample
 * @property Carbon $updated_at
 * @property-read Take $take
 */
final class Track extends ChunkedUpload
{
    use HasUlids;

    /** What browsers record into; nothing else is ever served as what it is said to be. */
    public const MIMES = ['video/webm', 'video/mp4', 'video/x-matroska', 'audio/webm', 'audio/mp4', 'audio/ogg'];

    /** @return string|null the type without its codecs, when it is one of those */
    public static function mimeOf(string $said): ?string
    {
        $type = strtolower(trim(explode(';', $said)[0]));

        return in_array($type, self::MIMES, true) ? $type : null;
    }

    protected $guarded = [];

    protected $attributes = ['next_chunk' => 0, 'bytes' => 0, 'length_ticks' => 0, 'offset_ticks' => 0];

    protected function casts(): array
    {
        return ['kind' => TrackKind::class, 'loudness' => 'float', 'peak' => 'float'];
    }

    /** @return BelongsTo<Take, $this> */
    public function take(): BelongsTo
    {
        return $this->belongsTo(Take::class);
    }

    public function isGrowing(): bool
    {
        return $this->take->state === TakeState::Recording;
    }

    public function called(): string
    {
        return 'This take';
    }

    public function colour(): ?SourceColour
    {
        return $this->height === null ? null : SourceColour::tagged($this->colour_range, $this->colour_matrix, $this->height);
    }
}
