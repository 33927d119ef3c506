<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use OpenReel\Core\Captions\Translation;

/**
 * What a caption says in another language.
 *
 * @property string $id
 * @property string $lesson_id
 * @property string $language
 * @property string $line_id
 * @property int $word with which the caption begins, counted from 0
 * @property string $was the words it stands for
 * @property string $text
 */
final class TranslationRow extends Model
{
    use HasUlids;

    protected $table = 'translations';

    protected $guarded = [];

    /** @return array<string, list<Translation>> of a lesson, by language */
    public static function of(string $lesson): array
    {
        $all = [];
        foreach (self::query()->where('lesson_id', $lesson)->get()->sortBy('id') as $row) {
            $all[$row->language][] = new Translation($row->line_id, $row->word, $row->was, $row->text);
        }
        ksort($all);

        return $all;
    }
}
