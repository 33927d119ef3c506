<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * Music that was brought in: of a course, or of a lesson that has none.
 *
 * @property string $id
 * @property string|null $course_id
 * @property string|null $lesson_id
 * @property string $name as cues call it
 * @property string $hash
 * @property string $path on the media disk
 * @property string $loop_hash of the same, so that it goes round without a seam
 * @property string $loop_path
 * @property int $loop_from sample of that at which it goes on behind its last
 * @property int $samples
 * @property float $lufs
 */
final class Music extends Model
{
    use HasUlids, SoftDeletes;

    protected $table = 'music';

    protected $guarded = [];
}
