<?php

declare(strict_types=1);

namespace App\Queries\Film;

use App\Media\MediaStore;
use App\Models\Export;

/** What is said in a finished film, and its chapters, as they were when it was made. */
final class FilmTranscript
{
    public function __construct(private readonly MediaStore $media)
    {
    }

    /**
     * @return array{
     *     lines: list<array{line: string, section: string, chapter: string, text: string, from_ms: int}>,
     *     chapters: list<array{title: string, from_ms: int}>,
     *     thumbnail_ms: int,
     *     sections?: array<string, array{seen: string, heard: string}>
     * }
     */
    public function of(Export $export): array
    {
        $file = $this->media->path(SidecarFile::path($export, SidecarFile::LINES));

        return json_decode((string) @file_get_contents($file), true) ?? ['lines' => [], 'chapters' => [], 'thumbnail_ms' => 0];
    }
}
