<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Refusal;
use App\Media\MediaStore;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Files of the media disk, with Range support. Only a model can name them; no path ever comes from a request. */
final class MediaResponse
{
    /** @param  string|null  $downloadAs  offers the file for saving under this name instead of showing it */
    public static function of(?string $path, string $mime, bool $unchanging = true, ?string $downloadAs = null): BinaryFileResponse
    {
        $media = app(MediaStore::class);
        if ($path === null || ! $media->exists($path)) {
            throw Refusal::notYet('This file is not there (any more).');
        }
        $response = new BinaryFileResponse($media->path($path), 200, [
            'Content-Type' => $mime,
            'Cache-Control' => $unchanging ? 'private, max-age=86400' : 'no-store',
        ], false);
        if ($downloadAs !== null) {
            $ascii = (string) preg_replace('/[^A-Za-z0-9 ._-]+/', '', str_replace('%', '', $downloadAs));
            $response->setContentDisposition('attachment', $downloadAs, trim($ascii) === '' || $ascii[0] === '.' ? 'lesson.mp4' : $ascii);
        }

        return $response;
    }
}
