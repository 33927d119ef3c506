<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class MusicFileRequest extends FileRequest
{
    protected const MISSING = 'No music arrived. Choose an MP3, M4A, Ogg, FLAC or WAV file of at most 256 MB.';
}
