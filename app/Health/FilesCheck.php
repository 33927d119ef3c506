<?php

declare(strict_types=1);

namespace App\Health;

use App\Media\MediaStore;
use App\Queries\Storage\StrayFiles;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\TakeState;

/** Whether what the database knows is on the media disk, and the other way round. */
final class FilesCheck implements Check
{
    public function __construct(private readonly MediaStore $media, private readonly StrayFiles $stray)
    {
    }

    public function look(): array
    {
        $lost = [];
        $files = DB::table('tracks')
            ->join('takes', 'takes.id', '=', 'tracks.take_id')
            ->where('takes.state', TakeState::Ready->value)
            ->whereNotNull('tracks.file_path')
            ->pluck('tracks.file_path');
        foreach ($files as $file) {
            if (! $this->media->exists($file)) {
                $lost[] = $file;
            }
        }
        $stray = $this->stray->all();

        return [
            $lost === []
                ? Finding::good('recordings', count($files).' files of takes are all there.')
                : Finding::bad(
                    'recordings', count($lost)." files of takes are missing, {$lost[0]} among them.",
                    'Bring them back from a backup of the media disk.',
                ),
            $this->slides(),
            $stray === []
                ? Finding::good('stray files', 'Every file belongs to something.')
                : Finding::doubtful(
                    'stray files', sprintf('%d files, %.1f MB, belong to nothing.', count($stray), array_sum($stray) / 1e6),
                    'Look them through with bin/reel sweep.',
                ),
        ];
    }

    /** Names of files that were never made here may have come in with an archive of an earlier version. */
    private function slides(): Finding
    {
        $strange = DB::table('slides')->get(['id', 'lesson_id', 'path'])->first(
            fn (object $s): bool => ! MediaStore::isInFolder($s->path, "lessons/{$s->lesson_id}/slides"),
        );

        return $strange === null
            ? Finding::good('slides', 'Every slide shows a file of its own lesson.')
            : Finding::bad(
                'slides', "Slide {$strange->id} of lesson {$strange->lesson_id} names a file of another place; it is not shown.",
                'Delete the lesson, or that slide, and look through who brought in archives (bin/reel history).',
            );
    }
}
