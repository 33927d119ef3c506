<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Jobs\ExportLessonJob;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\WorkState;
use App\Refusal;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Formats\FileName;

/** Puts an export in the queue. One at a time: asking again while one runs gives that one. */
final class RequestExport
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    /**
     * @param  bool  $asDraft  a stand-in voice reads what is not recorded yet
     *
     * @throws Refusal when nothing is kept
     */
    public function __invoke(Lesson $lesson, bool $asDraft = false): Export
    {
        if (! $asDraft && ($this->assemble)($lesson)->assembly->segments === []) {
            throw Refusal::conflict('No section has a kept take yet, so there is nothing to export. Keep at least one take.');
        }

        return DB::transaction(function () use ($lesson, $asDraft): Export {
            /** @var Export|null $open */
            $open = Export::query()->where('lesson_id', $lesson->id)->whereIn('state', WorkState::OPEN)->first();
            if ($open !== null) {
                return $open;
            }
            $export = self::row($lesson, $asDraft);
            ExportLessonJob::dispatch($export->id);

            return $export;
        });
    }

    public static function row(Lesson $lesson, bool $asDraft = false): Export
    {
        return $lesson->exports()->create([
            'state' => WorkState::Waiting,
            'draft' => $asDraft,
            'file_name' => FileName::of($lesson->title.($asDraft ? ' (draft)' : ''), 'mp4'),
        ]);
    }
}
