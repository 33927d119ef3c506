<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ReadAloud;
use App\Http\MediaResponse;
use App\Models\Section;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class StandInController
{
    /** What the stand-in microphone hears: the section's script, read by the stand-in voice. */
    public function voice(Section $section, ReadAloud $read): BinaryFileResponse
    {
        return MediaResponse::of($read($section), 'audio/wav', unchanging: false);
    }
}
