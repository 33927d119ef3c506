<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Take;
use App\Models\Track;
use App\Models\WorkState;
use App\Queries\Storage\StrayFiles;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;
use OpenReel\Core\Take\TakeState;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

/**
 * Several machines on one (see bin/cluster-demo): web server, a worker with the database, one without, Redis and the shared
 * disk's server are killed by turns at random moments, every other time while a film is being made, and a presenter records take
 * after take. `REEL_FAULTS` says how often, 20 times unless set.
 */
final class FaultBench implements Bench
{
    /** At the end all that was asked for has to be done after so many seconds. */
    private const PATIENCE = 180;

    private const SECTIONS = 3;

    /** Microseconds from one to the next, at least and at most. */
    private const BETWEEN = [500_000, 6_000_000];

    /** A film is waited for so long. */
    private const FILM_SECONDS = 6;

    private FaultCluster $cluster;

    public function __construct(
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('faults_lost')) {
            return;
        }
        $this->cluster = new FaultCluster($folder);
        $parts = array_map(
            fn (int $n): SectionText => new SectionText("Part {$n}", 'The water falls slowly.'), range(1, self::SECTIONS),
        );
        $lesson = ($this->save)(($this->make)('Killed'), Script::compose('Killed', $parts))->refresh();
        // A small picture, so that a film is made in less time than three kills of one worker take.
        $lesson->update(['width' => 640, 'height' => 360]);
        $sections = $lesson->sections()->pluck('id')->implode(',');
        $until = new InputStream;
        $presenter = new Process(
            ['node', base_path('app/Bench/faults.mjs'), $this->cluster->address(), $sections, $lesson->id, SampleTake::make($folder)],
            timeout: null, input: $until,
        );
        $this->cluster->start();
        $presenter->start();
        $kills = (int) (getenv('REEL_FAULTS') ?: 20);
        $worst = $exporting = 0;
        try {
            for ($n = 0; $n < $kills; $n++) {
                usleep(random_int(...self::BETWEEN));
                $exporting += $this->isExporting($n % 2 === 1) ? 1 : 0;
                $worst = max($worst, $this->cluster->kill(FaultCluster::PARTS[intdiv($n, 2) % count(FaultCluster::PARTS)]));
            }
            $until->close();
            $presenter->wait() === 0 || throw new \RuntimeException($presenter->getErrorOutput());
            $this->waitUntilAllIsDone();
            yield 'faults_kills' => [$kills, ''];
            yield 'faults_while_exporting' => [$exporting, ''];
            yield from $this->count($presenter->getOutput(), $worst);
        } finally {
            $presenter->stop(0);
            $this->cluster->stop();
        }
    }

    /** Whether a film is being made; waits for one when it is meant to. */
    private function isExporting(bool $isMeant): bool
    {
        $end = microtime(true) + self::FILM_SECONDS;
        do {
            if (Export::query()->where('state', WorkState::Running)->exists()) {
                return true;
            }
            usleep(50_000);
        } while ($isMeant && microtime(true) < $end);

        return false;
    }

    /** @return iterable<string, array{float|int, string}> */
    private function count(string $printed, float $worst): iterable
    {
        $media = app(MediaStore::class);
        $lost = $takes = 0;
        foreach (explode("\n", trim($printed)) as $row) {
            /** @var array{take: string, track: string, hash: string} $said */
            $said = json_decode($row, true, flags: JSON_THROW_ON_ERROR);
            $take = Take::query()->find($said['take']);
            $track = Track::query()->find($said['track']);
            // Once a film has used it, what came from the recorder goes, and what was made of it stays.
            $isWhole = $take?->state === TakeState::Ready && $track !== null && ($take->recording_kept
                ? $media->hash((string) $track->path) === $said['hash']
                : $media->exists($track->file_path));
            $takes++;
            $lost += $isWhole ? 0 : 1;
        }
        yield 'faults_takes' => [$takes, ''];
        yield 'faults_lost' => [$lost, '<= 0'];
        yield 'faults_films' => [Export::query()->where('state', WorkState::Done)->count(), ''];
        $undone = Export::query()->where('state', '!=', WorkState::Done)->get();
        foreach ($undone as $film) {
            fwrite(STDERR, "{$film->state->value}: {$film->problem}\n");
        }
        yield 'faults_undone' => [count($undone), '<= 0'];
        yield 'faults_strays' => [count(app(StrayFiles::class)->all()), '<= 0'];
        yield 'faults_unsent' => [app(MediaStore::class)->unsentFiles(), '<= 0'];
        yield 'faults_back_worst_s' => [round($worst, 2), '<= 5'];
    }

    private function waitUntilAllIsDone(): void
    {
        for ($end = microtime(true) + self::PATIENCE; microtime(true) < $end; usleep(500_000)) {
            $open = Export::query()->whereIn('state', WorkState::OPEN)->count()
                + Take::query()->where('state', TakeState::Ingesting)->count();
            if ($open + app(MediaStore::class)->unsentFiles() === 0) {
                return;
            }
        }
    }
}
