<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Takes\IngestTake;
use App\Actions\Takes\InspectTake;
use OpenReel\Core\Take\TakeState;

/** How many seconds of a take are ingested with one second of CPU (copied, listened to, trimmed, flagged), and looked over. */
final class IngestBench implements Bench
{
    private const ROUNDS = 3;

    public function __construct(
        private readonly IngestTake $ingest,
        private readonly InspectTake $inspect,
        private readonly MakeLesson $make,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('ingest_realtime') && ! $wanted('look_over_realtime')) {
            return;
        }
        $clip = SampleTake::make($folder);
        $section = ($this->make)('Ingest')->sections()->firstOrFail();
        [$spent, $take] = [0.0, null];
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $take = $section->takes()->create(['number' => $round, 'state' => TakeState::Ingesting]);
            $path = "{$folder}/media/{$take->folder()}/camera.part";
            mkdir(dirname($path), recursive: true);
            copy($clip, $path);
            $take->tracks()->create(['kind' => 'camera', 'mime' => 'video/webm', 'path' => $take->folder().'/camera.part']);
            $spent += self::seconds(fn () => ($this->ingest)($take));
        }
        yield 'ingest_realtime' => [(int) round(self::ROUNDS * SampleTake::SECONDS / $spent), '>= 30'];
        // Once: all of them are the same file, which is not looked at twice.
        $looked = self::seconds(fn () => ($this->inspect)($take->refresh()));
        yield 'look_over_realtime' => [(int) round(SampleTake::SECONDS / $looked), '>= 20'];
    }

    /** @param  callable(): mixed  $work */
    private static function seconds(callable $work): float
    {
        $before = SampleTake::ownSeconds() + SampleTake::childSeconds();
        $work();

        return SampleTake::ownSeconds() + SampleTake::childSeconds() - $before;
    }
}
