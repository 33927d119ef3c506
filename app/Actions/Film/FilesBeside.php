<?php

declare(strict_types=1);

namespace App\Actions\Film;

use App\Media\FilmPlan;
use App\Media\MediaStore;
use App\Models\Export;
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

    public function __construct(private readonly MediaStore $media)
    {
    }

    /** @return list<string> what was written, by a key of KINDS */
    public function write(Export $export, FilmPlan $plan): array
    {
        $texts = self::texts($plan, $export->lesson->title);
        foreach ($texts as $kind => $text) {
            $this->media->write(self::path($export, $kind), $text);
        }

        return array_keys($texts);
    }

    /** The film is not wanted any more. */
    public function forget(Export $export): void
    {
        foreach (array_keys(self::KINDS) as $kind) {
            $this->media->delete(self::path($export, $kind));
        }
    }

    /** @return string on the media disk */
    public static function path(Export $export, string $kind): string
    {
        return "lessons/{$export->lesson_id}/exports/{$export->id}-{$kind}";
    }

    /** @return array<string, string> text of each, by a key of KINDS; without captions where nothing is said */
    private static function texts(FilmPlan $plan, string $title): array
    {
        $captions = $plan->captions();

        return ($captions === [] ? [] : [
            'captions.vtt' => TimedText::webVtt($captions),
            'captions.srt' => TimedText::subRip($captions),
        ]) + [
            'chapters.vtt' => TimedText::chapters($plan->assembly->chapters()),
            'transcript.txt' => Transcript::of($title, $plan->assembly, $plan->texts),
        ];
    }
}
