<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\MediaStore;
use App\Models\Export;
use App\OperationRejected;
use App\Queries\Film\FilmTranscript;
use App\Queries\Film\SidecarFile;
use OpenReel\Core\Kernel\FileName;
use OpenReel\Core\Packages\PackageKind;

/** A film and all that lies beside it, with a page that shows them without a server. */
final class FilmFolder
{
    /** The name of the page. */
    public const PAGE = 'index.html';

    public function __construct(private readonly MediaStore $media, private readonly FilmTranscript $said)
    {
    }

    /**
     * @return array<string, string> the path of each file by its name, the film first
     *
     * @throws OperationRejected when the film is gone
     */
    public function files(Export $export): array
    {
        if (! $this->media->exists($export->path)) {
            throw OperationRejected::notYet('This film is not there (any more).');
        }
        $film = FileName::of($export->lesson->title, $export->edition()->format->value);
        $files = [$film => $this->media->path((string) $export->path)];
        foreach ($export->beside ?? [] as $one) {
            $file = SidecarFile::path($export, $one);
            if ($this->media->exists($file)) {
                $files[$one] = $this->media->path($file);
            }
        }

        return $files;
    }

    /**
     * @param  array<string, string>  $files  of this film
     * @param  string  $in  the folder in which they lie, seen from the page, with a slash behind it
     * @param  PackageKind  $kind  as a package it tells the course site how much was watched
     */
    public function page(Export $export, array $files, string $in = '', PackageKind $kind = PackageKind::Folder): string
    {
        $names = array_keys($files);
        $captions = isset($files['captions.vtt']) ? (string) file_get_contents($files['captions.vtt']) : null;

        return view('film.folder', [
            'title' => $export->lesson->title, 'film' => $names[0], 'beside' => array_slice($names, 1), 'in' => $in,
            'captions' => $captions, 'tells' => $kind->value,
        ] + $this->said->of($export))->render();
    }
}
