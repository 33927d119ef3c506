<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Archive;
use App\Media\MediaStore;
use App\Models\Export;
use App\OperationRejected;
use App\Queries\Lessons\LessonStyle;
use OpenReel\Core\Packages\Cmi5Structure;
use OpenReel\Core\Packages\PackageKind;
use OpenReel\Core\Packages\ScormManifest;

/** A film and all that lies beside it in one file, with a page that shows them from a folder, without a server. */
final class PackFilm
{
    public function __construct(private readonly MediaStore $media, private readonly FilmFolder $folder)
    {
    }

    /**
     * @param  PackageKind  $kind  as a package its page tells the course site how much was watched
     * @return string path of a draft, for whoever asked to send and remove
     *
     * @throws OperationRejected
     */
    public function __invoke(Export $export, PackageKind $kind = PackageKind::Folder): string
    {
        $files = $this->folder->files($export);
        $this->media->mustHaveRoomFor((int) filesize((string) reset($files)), 'the archive');
        $archive = new Archive($this->media->draft('zip'));
        foreach ($files as $name => $path) {
            $archive->addFile($path, $name);
        }
        $archive->addText(FilmFolder::PAGE, $this->folder->page($export, $files, kind: $kind));
        if ($kind === PackageKind::Scorm) {
            $names = [FilmFolder::PAGE, ...array_keys($files)];
            $archive->addText(ScormManifest::NAME, ScormManifest::write(
                "open-reel-{$export->lesson_id}", $export->lesson->title, FilmFolder::PAGE, $names,
            ));
        }
        if ($kind === PackageKind::Cmi5) {
            $language = LessonStyle::of($export->lesson)->language->value;
            $archive->addText(Cmi5Structure::NAME, Cmi5Structure::write(
                "urn:open-reel:lesson:{$export->lesson_id}", $export->lesson->title, $language, FilmFolder::PAGE,
            ));
        }

        return $archive->close();
    }
}
