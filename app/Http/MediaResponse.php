<?php

declare(strict_types=1);

namespace App\Http;

use App\Media\MediaStore;
use App\OperationRejected;
use App\Web\InternalFiles;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/** Files of the media disk, with Range support. Only a model can name them; no path ever comes from a request. */
final class MediaResponse
{
    /**
     * @param  string|null  $downloadAs  offers the file for saving under this name instead of showing it
     *
     * @throws OperationRejected when there is no such file
     */
    public static function of(?string $path, string $mime, bool $unchanging = true, ?string $downloadAs = null): Response
    {
        $media = app(MediaStore::class);
        if ($path === null || ! $media->exists($path)) {
            throw OperationRejected::notYet('This file is not there (any more).');
        }

        return self::ofFile($media->path($path), $mime, $unchanging, $downloadAs);
    }

    /** @param  string  $file  path of a file that is there, outside the media disk perhaps */
    public static function ofFile(string $file, string $mime, bool $unchanging = true, ?string $downloadAs = null): Response
    {
        clearstatcache(true, $file);
        $headers = ['Content-Type' => $mime, 'Cache-Control' => $unchanging ? 'private, max-age=86400' : 'no-store'];
        $address = request()->server->has(InternalFiles::PARAMETER) ? InternalFiles::address($file) : null;
        if ($address !== null) {
            // The web server answers what is asked of it: ranges, and whether it has changed.
            $response = new Response('', 200, ['X-Accel-Redirect' => $address] + $headers);
        } else {
            $response = new BinaryFileResponse($file, 200, $headers, false);
            $response->setEtag(hash('xxh128', $file.filesize($file).'/'.filemtime($file)));
        }
        if ($downloadAs !== null) {
            $ascii = (string) preg_replace('/[^A-Za-z0-9 ._-]+/', '', str_replace('%', '', $downloadAs));
            $response->headers->set('Content-Disposition', HeaderUtils::makeDisposition(
                'attachment',
                $downloadAs,
                trim($ascii) === '' || $ascii[0] === '.' ? 'lesson.mp4' : $ascii,
            ));
        }
        if ($address !== null) {
            return $response;
        }
        if (self::isBeyondTheEnd((string) request()->headers->get('Range'), (int) filesize($file))) {
            return new Response('', 416, ['Content-Range' => 'bytes */'.filesize($file), 'Content-Type' => $mime]);
        }
        $response->isNotModified(request());

        return $response;
    }

    /** A file made for whoever asked; it is gone when they have it. */
    public static function once(string $draft, string $mime, string $downloadAs): Response
    {
        if (request()->server->has(InternalFiles::PARAMETER)) {
            return self::ofFile(app(MediaStore::class)->handOver($draft), $mime, false, $downloadAs);
        }
        /** @var BinaryFileResponse $response */
        $response = self::ofFile($draft, $mime, false, $downloadAs);

        return $response->deleteFileAfterSend();
    }

    /** A single range that begins where the file has ended already (RFC 9110, section 14.1.2). */
    private static function isBeyondTheEnd(string $range, int $size): bool
    {
        return (preg_match('/^bytes=(\d{1,18})-(\d{1,18})?$/', $range, $m) === 1 &&
            (int) $m[1] >= $size &&
            (! isset($m[2]) || (int) $m[2] >= (int) $m[1])) ||
            preg_match('/^bytes=-0+$/', $range) === 1;
    }
}
