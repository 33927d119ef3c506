<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Takes\ReadAloud;
use App\Http\MediaResponse;
use App\Models\Section;
use Symfony\Component\HttpFoundation\Response;

final class StandInController
{
    /** What the stand-in microphone hears: the section's script, read by the stand-in voice. While a long one is read: 202. */
    public function voice(Section $section, ReadAloud $read): Response
    {
        $path = $read($section);

        return $path === null
            ? response('', 202, ['Retry-After' => '1'])
            : MediaResponse::of($path, 'audio/wav', unchanging: false);
    }
}
