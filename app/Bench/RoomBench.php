<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Actions\Takes\IngestTake;
use App\Media\MediaStore;
use App\Media\Program;
use App\Models\Take;
use App\Models\TakeState;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\TrackKind;
use OpenReel\Core\Time\Tick;

/** The recording room in a real browser: its work while it rolls, how near ink follows the pen, how far apart tracks are. */
final class RoomBench implements Bench
{
    /**
     * Tracks are recorded in two stretches of six seconds, a pause between; REEL_FLASH_MINUTES=10 makes it ten of a minute. What
     * browser and server hold in memory is told as well.
     */
    private const STRETCHES = [2, 6];

    private const NAMES = ['room_cpu', 'pen_latency_ms', 'tracks_apart_ms'];

    public function __construct(
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
        private readonly IngestTake $ingest,
        private readonly MediaStore $media,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(self::NAMES, $wanted) === []) {
            return;
        }
        $lesson = ($this->make)('A room');
        ($this->save)(
            $lesson,
            Script::read(
                "# A room\n\n## Board\n\n[board: 1] [layout: slide alone] Write on it, line after line.\n\n".
                    "## Screen\n\n[screen: anything] Look at this. Then look at that. And then go on for a while.\n",
            ),
        );
        $minutes = (int) getenv('REEL_FLASH_MINUTES');
        $stretches = array_map(strval(...), $minutes > 0 ? [$minutes, 60] : self::STRETCHES);
        $sections = $lesson->sections()->pluck('id')->all();
        $told = json_decode(
            Visit::run(
                $folder,
                'room.mjs',
                more: [$lesson->id, ...array_values($sections), ...$stretches],
                seconds: 240 + 70 * $minutes,
            ),
            true,
        );
        yield 'room_cpu' => [round($told['cpu'], 3), '<= 0.05'];
        yield 'pen_latency_ms' => [(int) round($told['pen']), '<= 25'];
        yield 'tracks_apart_ms' => [$this->apart(), '<= 20'];
        // While a take rolls; the first fifth of it is for filling caches.
        foreach ($told['memory'] as $whose => $megabytes) {
            $last = (float) end($megabytes);
            yield "room_{$whose}_mb" => [round($last, 1), ''];
            yield "room_{$whose}_grown_mb" => [round($last - $megabytes[intdiv(count($megabytes), 5)], 1), ''];
        }
    }

    /** The largest difference between a flash in the camera's file and the same in the screen's, put in step, in milliseconds. */
    private function apart(): int
    {
        /** @var Take $take */
        $take = Take::query()->where('state', TakeState::Ingesting)->orderByDesc('id')->firstOrFail();
        ($this->ingest)($take);
        $flashes = [];
        foreach ([TrackKind::Camera, TrackKind::Screen] as $kind) {
            $track = $take->tracks()->where('kind', $kind)->first();
            $file = $track?->file_path;
            $flashes[] =
                $file === null
                    ? []
                    : array_map(
                        fn (float $at): float => $at + $track->offset_ticks / Tick::RATE,
                        $this->flashes($this->media->path($file)),
                    );
        }
        [$camera, $screen] = $flashes;
        if ($camera === [] || $screen === []) {
            throw new \RuntimeException("No flashes in take {$take->number}, which is {$take->state->value}: {$take->problem}");
        }
        $apart = [];
        foreach ($camera as $at) {
            $nearest = min(array_map(fn (float $other): float => abs($other - $at), $screen));
            // The pause falls into a flash, or the take ends in one: that one is no pair.
            if ($nearest < 0.5) {
                $apart[] = $nearest;
            }
        }

        return $apart === [] ? throw new \RuntimeException('No two flashes belong together.') : (int) round(1000 * max($apart));
    }

    /** @return list<float> seconds at which the picture becomes bright */
    private function flashes(string $file): array
    {
        $log = Program::run([
            (string) config('reel.programs.ffmpeg'),
            '-nostdin',
            '-i',
            $file,
            '-vf',
            'scale=16:16,signalstats,metadata=print:key=lavfi.signalstats.YAVG',
            '-f',
            'null',
            '-',
        ])['log'];
        preg_match_all('/pts_time:([\d.]+)\s.*?YAVG=([\d.]+)/s', $log, $found, PREG_SET_ORDER);
        $flashes = [];
        $was = true;
        foreach ($found as [, $at, $bright]) {
            $is = (float) $bright > 120;
            if ($is && ! $was) {
                $flashes[] = (float) $at;
            }
            $was = $is;
        }

        return $flashes;
    }
}
