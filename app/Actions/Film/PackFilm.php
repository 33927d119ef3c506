<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\Archive;
use App\Media\MediaStore;
use App\Models\Export;
use App\Readers\LessonStyle;
use App\Readers\SaidInFilm;
use App\Refusal;
use OpenReel\Core\Formats\Cmi5Structure;
use OpenReel\Core\Formats\FileName;
use OpenReel\Core\Formats\PackageKind;
use OpenReel\Core\Formats\ScormManifest;

/** A film and all that lies beside it in one file, with a page that shows them from a folder, without a server. */
final class PackFilm
{
    /** Names in the archive that are not those of kinds. */
    private const PAGE = 'index.html';

    public function __construct(private readonly MediaStore $media, private readonly SaidInFilm $said)
    {
    }

    /**
     * @param  PackageKind  $kind  as a package its page tells the course site how much was watched
     * @return string path of a draft, for whoever asked to send and remove
     *
     * @throws Refusal
     */
    public function __invoke(Export $export, PackageKind $kind = PackageKind::Folder): string
    {
        if (! $this->media->exists($export->path)) {
            throw Refusal::notYet('This film is not there (any more).');
        }
        $film = $this->media->path((string) $export->path);
        $this->media->mustHaveRoomFor((int) filesize($film), 'the archive');
        $archive = new Archive($this->media->draft('zip'));
        $name = FileName::of($export->lesson->title, $export->edition()->format->value);
        $archive->addFile($film, $name);
        $beside = [];
        foreach ($export->beside ?? [] as $one) {
            $file = FilesBeside::path($export, $one);
            if ($this->media->exists($file)) {
                $archive->addFile($this->media->path($file), $one);
                $beside[] = $one;
            }
        }
        $captions = in_array('captions.vtt', $beside, true)
            ? (string) file_get_contents($this->media->path(FilesBeside::path($export, 'captions.vtt')))
            : null;
        $archive->addText(self::PAGE, view('film.folder', [
            'title' => $export->lesson->title, 'film' => $name, 'beside' => $beside, 'captions' => $captions,
            'tells' => $kind->value,
        ] + $this->said->of($export))->render());
        if ($kind === PackageKind::Scorm) {
            $archive->addText(ScormManifest::NAME, ScormManifest::write(
                "open-reel-{$export->lesson_id}", $export->lesson->title, self::PAGE, [self::PAGE, $name, ...$beside],
            ));
        }
        if ($kind === PackageKind::Cmi5) {
            $language = LessonStyle::of($export->lesson)->language->value;
            $archive->addText(Cmi5Structure::NAME, Cmi5Structure::write(
                "urn:open-reel:lesson:{$export->lesson_id}", $export->lesson->title, $language, self::PAGE,
            ));
        }

        return $archive->close();
    }
}
