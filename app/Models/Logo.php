<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $course_id
 * @property string $name
 * @property string $path on the media disk
 * @property string $mime
 * @property string $hash
 * @property int $width
 * @property int $height
 */
final class Logo extends Model
{
    use HasUlids;

    protected $guarded = [];
}
