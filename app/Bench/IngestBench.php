<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Takes\IngestTake;
use App\Models\TakeState;

/** How many seconds of a take are ingested with one second of CPU: copied, listened to, trimmed, flagged. */
final class IngestBench implements Bench
{
    private const ROUNDS = 3;

    public function __construct(private readonly IngestTake $ingest, private readonly MakeLesson $make)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('ingest_realtime')) {
            return;
        }
        $clip = Clip::make($folder);
        $section = ($this->make)('Ingest')->sections()->firstOrFail();
        $spent = 0.0;
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $take = $section->takes()->create(['number' => $round, 'state' => TakeState::Ingesting]);
            $path = "{$folder}/media/{$take->folder()}/camera.part";
            mkdir(dirname($path), recursive: true);
            copy($clip, $path);
            $take->tracks()->create(['kind' => 'camera', 'mime' => 'video/webm', 'path' => $take->folder().'/camera.part']);
            $before = Clip::ownSeconds() + Clip::childSeconds();
            ($this->ingest)($take);
            $spent += Clip::ownSeconds() + Clip::childSeconds() - $before;
        }

        yield 'ingest_realtime' => [(int) round(self::ROUNDS * Clip::SECONDS / $spent), '>= 30'];
    }
}
