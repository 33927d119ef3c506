<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $lesson_id
 * @property string $name what the presenter's file was called; shown, never used as a path
 * @property string $path on the media disk
 * @property string $mime
 * @property string $hash
 * @property int $width
 * @property int $height
 */
final class Slide extends Model
{
    use HasUlids;

    protected $guarded = [];
}
