<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * @property string $id
 * @property string $lesson_id
 * @property string $name by which cues call it; no two slides of a lesson share one
 * @property string|null $deck_id the file it can be drawn again from
 * @property int|null $page counted from 1 in that file
 * @property int $position in the deck, from 1
 * @property string $text the words on it
 * @property list<int> $look see OpenReel\Core\Deck\Page
 * @property string $path on the media disk
 * @property string $mime
 * @property string $hash
 * @property int $width
 * @property int $height
 * @property list<array{hash: string, path: string}> $steps  its picture with no step, with one, with two...
 * @property array{hash: string, path: string, width: int, height: int, ticks: int}|null $film  that plays in its place
 */
final class Slide extends Model
{
    use HasUlids, SoftDeletes;

    protected $guarded = [];

    protected $attributes = ['position' => 0, 'text' => '', 'look' => '[]', 'steps' => '[]'];

    protected function casts(): array
    {
        return ['look' => 'array', 'steps' => 'array', 'film' => 'array'];
    }
}
