<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\FilmPlan;
use OpenReel\Core\Captions\FilmCaptions;
use OpenReel\Core\Captions\Transcript;
use OpenReel\Core\Formats\TimedText;

/** The files that go with a film: made when it is, so that they say what it says. */
final class FilesBeside
{
    /** By the end of their name: what they are. */
    public const KINDS = [
        'captions.vtt' => 'text/vtt', 'captions.srt' => 'application/x-subrip', 'chapters.vtt' => 'text/vtt',
        'transcript.txt' => 'text/plain',
    ];

    /** @return array<string, string> text of each, by a key of KINDS; without captions where nothing is said */
    public static function of(FilmPlan $plan, string $title): array
    {
        $captions = FilmCaptions::of($plan->assembly, $plan->texts);

        return ($captions === [] ? [] : [
            'captions.vtt' => TimedText::webVtt($captions),
            'captions.srt' => TimedText::subRip($captions),
        ]) + [
            'chapters.vtt' => TimedText::chapters($plan->assembly->chapters()),
            'transcript.txt' => Transcript::of($title, $plan->assembly, $plan->texts),
        ];
    }
}
