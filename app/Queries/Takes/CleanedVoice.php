<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Take;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\CleanVoice;

/** A take's voice as it is once it is cleaned. */
final class CleanedVoice
{
    /** @return CleanVoice|null null when nothing would be done */
    public static function of(Take $take, Cleaning $cleaning): ?CleanVoice
    {
        $voice = $take->track(TrackKind::Microphone);
        $found = TakeFindings::of($take)->analysis;

        return $voice?->file_path === null
            ? null
            : CleanVoice::of((string) $voice->hash, $cleaning, $found?->hum, $found?->room);
    }

    /** Where the browser gets it, once it is made. */
    public static function url(string $take, CleanVoice $voice): string
    {
        $query = http_build_query([
            'noise' => $voice->noise->value,
            'hum' => (int) ($voice->hum !== null),
            'low_cut' => (int) $voice->lowCut,
            'v' => substr($voice->sound, 0, 8).CleanVoice::VERSION,
        ]);

        return "/api/takes/{$take}/cleaned/sound?{$query}";
    }
}
