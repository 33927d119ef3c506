<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Approval;
use App\Models\CaptionRow;
use App\Models\ClearedTake;
use App\Models\Comment;
use App\Models\Course;
use App\Models\Deck;
use App\Models\Delivery;
use App\Models\Export;
use App\Models\HistoryEntry;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\Logo;
use App\Models\Membership;
use App\Models\Music;
use App\Models\Publication;
use App\Models\Section;
use App\Models\Slide;
use App\Models\Take;
use App\Models\TakeResult;
use App\Models\TakeSummary;
use App\Models\Track;
use App\Models\TranslationRow;
use App\Models\Version;
use Illuminate\Database\Eloquent\Model;

/** On which lesson or course something hangs, deleted ones too. */
final class Belongs
{
    /** The column that names a lesson or course where either may stand. */
    public static function column(Lesson|Course $place): string
    {
        return $place instanceof Course ? 'course_id' : 'lesson_id';
    }

    /** @return Lesson|Course|null null when it hangs on neither */
    public static function to(Model $model): Lesson|Course|null
    {
        return match (true) {
            $model instanceof Lesson, $model instanceof Course => $model,
            $model instanceof Track, $model instanceof TakeResult, $model instanceof TakeSummary => self::to(
                Take::query()->findOrFail($model->take_id),
            ),
            $model instanceof Take => self::lesson($model->section->lesson_id),
            $model instanceof Comment => self::lesson($model->publication->lesson_id),
            $model instanceof Version => self::to(Publication::query()->findOrFail($model->publication_id)),
            $model instanceof Section, $model instanceof Slide, $model instanceof Deck, $model instanceof Export,
            $model instanceof Delivery, $model instanceof Publication, $model instanceof Approval, $model instanceof CaptionRow,
            $model instanceof TranslationRow, $model instanceof ClearedTake => self::lesson($model->lesson_id),
            $model instanceof Logo => Course::withTrashed()->find($model->course_id),
            $model instanceof Music, $model instanceof Membership, $model instanceof Invitation,
            $model instanceof HistoryEntry => self::either($model),
            default => null,
        };
    }

    private static function either(Music|Membership|Invitation|HistoryEntry $model): Lesson|Course|null
    {
        return $model->lesson_id === null
            ? Course::withTrashed()->find($model->course_id)
            : self::lesson($model->lesson_id);
    }

    private static function lesson(string $id): ?Lesson
    {
        return Lesson::withTrashed()->find($id);
    }
}
