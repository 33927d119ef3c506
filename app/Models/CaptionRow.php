<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use OpenReel\Core\Captions\EditedCaption;

/**
 * A caption as a person wants it.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string $line_id
 * @property int $word with which it begins, counted from 0
 * @property string $was the words it stands for
 * @property list<string> $rows none to have them laid out by the rules
 * @property bool $checked
 */
final class CaptionRow extends Model
{
    use HasUlids;

    protected $table = 'set_captions';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['rows' => 'array', 'checked' => 'boolean'];
    }

    /** @return list<EditedCaption> of a lesson */
    public static function of(string $lesson): array
    {
        /** @var list<self> $rows */
        $rows = self::query()->where('lesson_id', $lesson)->orderBy('id')->get()->all();

        return array_map(fn (self $row): EditedCaption => $row->toCore(), $rows);
    }

    private function toCore(): EditedCaption
    {
        return new EditedCaption($this->line_id, $this->word, $this->was, $this->rows, $this->checked, $this->id);
    }
}
