<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Actions\Takes\IngestTake;
use App\Media\MediaStore;
use App\Media\Program;
use App\Models\Take;
use App\Models\Track;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Picture\TrackKind;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Take\TakeState;

/** The recording room in a real browser: its work while it rolls, how near ink follows the pen, how far apart tracks are. */
final class RoomBench implements Bench
{
    /**
     * Tracks are recorded in two stretches of six seconds, a pause between; REEL_FLASH_MINUTES=10 makes it ten of a minute. What
     * browser and server hold in memory is told as well.
     */
    private const STRETCHES = [2, 6];

    private const NAMES = ['room_cpu', 'pen_latency_ms', 'tracks_apart_ms', 'sound_drift_ms'];

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
            Script::parse(
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
        $take = $this->flashing();
        $flashes = $this->flashes($take, TrackKind::Camera);
        yield 'tracks_apart_ms' => [$this->apart($flashes, $this->flashes($take, TrackKind::Screen)), '<= 20'];
        // Of a handful of flashes nothing follows.
        if ($minutes > 0) {
            yield 'sound_drift_ms' => [$this->drift($flashes, $this->tones($take)), '<= 20'];
        }
        // While a take rolls; the first fifth of it is for filling caches.
        foreach ($told['memory'] as $whose => $megabytes) {
            $last = (float) end($megabytes);
            yield "room_{$whose}_mb" => [round($last, 1), ''];
            yield "room_{$whose}_grown_mb" => [round($last - $megabytes[intdiv(count($megabytes), 5)], 1), ''];
        }
    }

    /** The take in which camera and screen flash and a tone sounds, read. */
    private function flashing(): Take
    {
        /** @var Take $take */
        $take = Take::query()->where('state', TakeState::Ingesting)->orderByDesc('id')->firstOrFail();
        ($this->ingest)($take);

        return $take;
    }

    /**
     * The largest difference between a flash of the camera and the same of the screen, in milliseconds.
     *
     * @param  non-empty-list<float>  $camera
     * @param  non-empty-list<float>  $screen
     */
    private function apart(array $camera, array $screen): int
    {
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

    /**
     * How much more or less than in the first tenth of the take a tone lies behind its flash in the last tenth, in milliseconds.
     * How far it lies behind is the work of what makes it; that this stays the same is the recorder's.
     *
     * @param  list<float>  $flashes
     * @param  list<float>  $tones
     */
    private function drift(array $flashes, array $tones): int
    {
        $behind = [];
        $next = 0;
        foreach ($flashes as $at) {
            while ($next < count($tones) && $tones[$next] < $at - 0.1) {
                $next++;
            }
            if ($next < count($tones) && $tones[$next] < $at + 0.5) {
                $behind[] = $tones[$next] - $at;
            }
        }
        $few = max(1, intdiv(count($behind), 10));
        [$first, $last] = array_map(
            function (array $some): float {
                sort($some);

                return $some[intdiv(count($some), 2)] ?? throw new \RuntimeException('No tone belongs to a flash.');
            },
            [array_slice($behind, 0, $few), array_slice($behind, -$few)],
        );

        return (int) round(1000 * abs($last - $first));
    }

    /** @return non-empty-list<float> seconds of the take at which the picture becomes bright */
    private function flashes(Take $take, TrackKind $kind): array
    {
        preg_match_all(
            '/pts_time:([\d.]+)\s.*?YAVG=([\d.]+)/s',
            $this->log($take, $kind, ['-vf', 'scale=16:16,signalstats,metadata=print:key=lavfi.signalstats.YAVG']),
            $found,
            PREG_SET_ORDER,
        );
        $flashes = [];
        $was = true;
        foreach ($found as [, $at, $bright]) {
            $is = (float) $bright > 120;
            if ($is && ! $was) {
                $flashes[] = (float) $at;
            }
            $was = $is;
        }

        return $this->ofTheTake($take, $kind, $flashes);
    }

    /** @return non-empty-list<float> seconds of the take at which the tone begins to sound */
    private function tones(Take $take): array
    {
        $log = $this->log($take, TrackKind::Microphone, [
            '-af',
            'bandpass=f=3000:width_type=h:w=300,silencedetect=noise=-20dB:duration=0.5',
        ]);
        preg_match_all('/silence_end: ([\d.]+)/', $log, $found);

        return $this->ofTheTake($take, TrackKind::Microphone, array_map(floatval(...), $found[1]));
    }

    /**
     * @param  list<float>  $moments  seconds of the file
     * @return non-empty-list<float> seconds of the take
     */
    private function ofTheTake(Take $take, TrackKind $kind, array $moments): array
    {
        if ($moments === []) {
            throw new \RuntimeException("Nothing to see or hear in the {$kind->value} of take {$take->number}: {$take->problem}");
        }
        $offset = $this->track($take, $kind)->offset_ticks / Tick::RATE;

        return array_map(fn (float $at): float => $at + $offset, $moments);
    }

    /** @param  list<string>  $filter */
    private function log(Take $take, TrackKind $kind, array $filter): string
    {
        $file = $this->track($take, $kind)->file_path ?? throw new \RuntimeException("No {$kind->value}: {$take->problem}");

        return Program::run([
            (string) config('reel.programs.ffmpeg'),
            '-nostdin',
            '-i',
            $this->media->path($file),
            ...$filter,
            '-f',
            'null',
            '-',
        ])['log'];
    }

    private function track(Take $take, TrackKind $kind): Track
    {
        return $take->tracks()->where('kind', $kind)->firstOrFail();
    }
}
