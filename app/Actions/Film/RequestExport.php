<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Events\ExportRequested;
use App\Models\Export;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\WorkState;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use App\Queries\Film\FilmNames;
use App\Queries\Takes\PendingIngest;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Render\ExportPreset;

/** Puts an export in the queue. Asking for the same one again while it is made gives that one. */
final class RequestExport
{
    public function __construct(private readonly AssembleLesson $assemble)
    {
    }

    /**
     * @param  string|null  $batch  what is asked for together, so that it can be asked for again
     *
     * @throws OperationRejected when nothing of it is kept
     */
    public function __invoke(Lesson $lesson, ExportPreset $as = new ExportPreset(), ?string $batch = null): Export
    {
        if ($as->section !== null && $lesson->sections()->whereKey($as->section)->doesntExist()) {
            throw OperationRejected::conflict('This section is not in the lesson any more.');
        }
        $mayBeEmpty = $as->draft || PendingIngest::in($lesson) !== null;
        if (! $mayBeEmpty && ($this->assemble)($lesson, as: $as)->assembly->segments === []) {
            $heading = Section::query()->whereKey($as->section)->value('heading');
            throw OperationRejected::conflict($as->section === null
                ? 'No section has a kept take yet, so there is nothing to export. Keep at least one take.'
                : "No take is kept of \"{$heading}\" yet, so there is nothing to export of it.");
        }

        return DB::transaction(function () use ($lesson, $as, $batch): Export {
            /** @var list<Export> $open */
            $open = $lesson->exports()->whereIn('state', WorkState::OPEN)->get()->all();
            foreach ($open as $export) {
                if ($export->edition()->toArray() === $as->toArray()) {
                    return $export;
                }
            }
            $export = self::row($lesson, $as, $batch);
            ExportRequested::dispatch($export->id);

            return $export;
        });
    }

    public static function row(Lesson $lesson, ExportPreset $as = new ExportPreset(), ?string $batch = null): Export
    {
        return $lesson->exports()->create([
            'state' => WorkState::Waiting,
            'draft' => $as->draft,
            'edition' => $as->toArray(),
            'batch' => $batch,
            'file_name' => FilmNames::of($lesson, $as),
        ]);
    }
}
