<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * @property string $id
 * @property string $take_id
 * @property string $kind `camera` (with the microphone's sound in step) or `microphone`
 * @property string $mime
 * @property string $path on the media disk: the chunks so far, joined
 * @property int $next_chunk
 * @property int $bytes
 * @property Carbon $updated_at
 * @property-read Take $take
 */
final class Track extends Model
{
    use HasUlids;

    public const KINDS = ['camera', 'microphone'];

    /** What browsers record into; nothing else is ever served as what it is said to be. */
    public const MIMES = ['video/webm', 'video/mp4', 'video/x-matroska', 'audio/webm', 'audio/mp4', 'audio/ogg'];

    /** @return string|null the type without its codecs, when it is one of those */
    public static function mimeOf(string $said): ?string
    {
        $type = strtolower(trim(explode(';', $said)[0]));

        return in_array($type, self::MIMES, true) ? $type : null;
    }

    protected $guarded = [];

    protected $attributes = ['next_chunk' => 0, 'bytes' => 0];

    /** @return BelongsTo<Take, $this> */
    public function take(): BelongsTo
    {
        return $this->belongsTo(Take::class);
    }
}
