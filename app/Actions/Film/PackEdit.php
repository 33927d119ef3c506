<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Archive;
use App\Media\MediaStore;
use App\Models\Lesson;
use App\OperationRejected;
use App\Queries\Film\AssembleLesson;
use OpenReel\Core\EditList\EditEvent;
use OpenReel\Core\EditList\EditList;
use OpenReel\Core\EditList\Edl;
use OpenReel\Core\EditList\Otio;

/** A lesson for those who edit with another program: edit lists in two open forms, and the files they name, in one archive. */
final class PackEdit
{
    public function __construct(private readonly AssembleLesson $assemble, private readonly MediaStore $media)
    {
    }

    /**
     * @return string path of a draft, for whoever asked to send and remove
     *
     * @throws OperationRejected when nothing is kept
     */
    public function __invoke(Lesson $lesson): string
    {
        $plan = ($this->assemble)($lesson);
        if ($plan->assembly->segments === []) {
            throw OperationRejected::conflict('No section has a kept take yet, so there is nothing to edit. Keep at least one take.');
        }
        $list = EditList::of($lesson->title, $plan->assembly);
        $files = array_intersect_key($plan->files, array_flip($list->files()));
        $this->media->mustHaveRoomFor(
            (int) array_sum(array_map(fn (string $path): int => $this->media->bytes($path), $files)),
            'the archive',
        );
        $names = self::names($list, $files);
        $archive = new Archive($this->media->draft('zip'));
        foreach ($names as $hash => $name) {
            if ($this->media->exists($files[$hash])) {
                $archive->addFile($this->media->path($files[$hash]), $name);
            }
        }
        $archive->addText('edit.otio', Otio::write($list, $names));
        $archive->addText('edit.edl', Edl::write($list, $names));

        return $archive->close();
    }

    /**
     * @param  array<string, string>  $files  path on the media disk by hash
     * @return array<string, string> name in the archive by hash
     */
    private static function names(EditList $list, array $files): array
    {
        $says = [];
        foreach ([...$list->presenter, ...$list->stage, ...$list->voice] as $clip) {
            /** @var EditEvent $clip */
            $says[$clip->hash] ??= trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $clip->says), '-');
        }
        $names = [];
        $number = 0;
        foreach ($list->files() as $hash) {
            if (isset($files[$hash])) {
                $extension = pathinfo($files[$hash], PATHINFO_EXTENSION);
                $names[$hash] = sprintf('media/%03d-%s.%s', ++$number, substr($says[$hash], 0, 60), $extension);
            }
        }

        return $names;
    }
}
