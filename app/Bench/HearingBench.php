<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Media\Prober;
use App\Media\Program;
use App\Media\TakeAligner;
use App\Media\VoiceCleaner;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Analysis\SoundChecks;
use OpenReel\Core\Analysis\SpeechFinder;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Sound\Cleaning;
use OpenReel\Core\Sound\CleanVoice;
use OpenReel\Core\Sound\LevelReader;
use OpenReel\Core\Sound\NoiseReduction;
use OpenReel\Core\Take\TakeState;

/** How fast words are heard and in how much memory, and how soon a take can be played that was just finished. */
final class HearingBench implements Bench
{
    /** A take of the demo lesson, and its section. */
    private const TAKE = '06-1';

    private const SECTION = 6;

    private const NAMES = ['levels_realtime', 'align_realtime', 'align_mb', 'clean_realtime', 'take_ready_ms'];

    public function __construct(
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
        private readonly TakeAligner $listener,
        private readonly VoiceCleaner $cleaner,
        private readonly Prober $prober,
        private readonly Kernel $kernel,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(self::NAMES, $wanted) === []) {
            return;
        }
        $take = base_path('demo/lesson/takes/'.self::TAKE.'.webm');
        $script = Script::parse((string) file_get_contents(base_path('demo/lesson/script.md')));
        if ($wanted('levels_realtime')) {
            yield 'levels_realtime' => [round($this->levels($take, $folder), 1), '>= 30'];
        }
        if ($wanted('clean_realtime')) {
            yield 'clean_realtime' => [round($this->cleaning($take, $folder), 1), '>= 20'];
        }
        if ($wanted('align_realtime')) {
            $lesson = "{$folder}/listen";
            mkdir("{$lesson}/takes", recursive: true);
            copy(base_path('demo/lesson/script.md'), "{$lesson}/script.md");
            copy($take, "{$lesson}/takes/".self::TAKE.'.webm');
            $before = SampleTake::childSeconds();
            Program::run([base_path('bin/reel'), 'align', $lesson, '--json']);
            $seconds = $this->prober->recording($take)->seconds;
            yield 'align_realtime' => [round($seconds / (SampleTake::childSeconds() - $before), 1), '>= 4'];
        }
        if ($wanted('align_mb')) {
            $lines = [];
            foreach ($script->sections[self::SECTION - 1]->lines as $line) {
                $lines[] = new ExpectedLine($line->text, Spoken::of($line->text));
            }
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $this->listener->hear($take, $lines, Language::English);
            yield 'align_mb' => [(int) round((memory_get_peak_usage() - $before) / 1_048_576), '<= 64'];
        }
        if ($wanted('take_ready_ms')) {
            yield 'take_ready_ms' => [(int) round($this->ready($take)), '<= 1000'];
        }
    }

    /** Seconds of sound of which levels, trims and flags are known in one second of a core. */
    private function levels(string $take, string $folder): float
    {
        $pcm = "{$folder}/levels.pcm";
        Program::run(['ffmpeg', '-v', 'error', '-i', $take, '-vn', '-ac', '1', '-ar', '48000', '-f', 's16le', $pcm]);
        $stream = fopen($pcm, 'rb') ?: throw new \RuntimeException('There is no sound.');
        $before = getrusage();
        $levels = LevelReader::read($stream);
        SpeechFinder::find($levels);
        SoundChecks::of($levels);
        $after = getrusage();
        fclose($stream);
        $spent = ($after['ru_utime.tv_sec'] ?? 0) - ($before['ru_utime.tv_sec'] ?? 0) +
            (($after['ru_utime.tv_usec'] ?? 0) - ($before['ru_utime.tv_usec'] ?? 0)) / 1e6;

        return $levels->length()->seconds() / max(1e-6, $spent);
    }

    /** Seconds of a voice that are cleaned in one second of a core. */
    private function cleaning(string $take, string $folder): float
    {
        $flac = "{$folder}/voice.flac";
        Program::run(['ffmpeg', '-v', 'error', '-i', $take, '-vn', '-ac', '1', '-ar', '48000', $flac]);
        $room = Span::between(Tick::zero(), Tick::of(38_400));
        $voice = CleanVoice::of('bench', new Cleaning(NoiseReduction::Light, true, true), 50, $room);
        $before = SampleTake::childSeconds();
        $this->cleaner->make($voice ?? throw new \LogicException('There is something to do.'), $flac);

        return $this->prober->seconds($flac) / max(1e-6, SampleTake::childSeconds() - $before);
    }

    /** Milliseconds from the recorder's last word to the first bytes of the take. */
    private function ready(string $file): float
    {
        $lesson = ($this->save)(($this->make)('Ready'), Script::parse("# Ready\n\n## One\n\nA line.\n"));
        $take = $lesson->sections()->firstOrFail()->takes()->create(['number' => 1, 'state' => TakeState::Recording]);
        $path = config('filesystems.disks.media.root').'/'.$take->folder().'/camera.part';
        mkdir(dirname($path), recursive: true);
        copy($file, $path);
        $track = $take->tracks()->create([
            'kind' => 'camera',
            'mime' => 'video/webm',
            'path' => $take->folder().'/camera.part',
            'bytes' => (int) filesize($path),
            'next_chunk' => 1,
        ]);
        $start = hrtime(true);
        $this->call('POST', "takes/{$take->id}/finish", [
            'tracks' => [['id' => $track->id, 'chunks' => 1, 'bytes' => (int) filesize($path)]],
        ]);
        $this->call('GET', "takes/{$take->id}/media");

        return (hrtime(true) - $start) / 1e6;
    }

    /** @param  array<string, mixed>  $body */
    private function call(string $method, string $path, array $body = []): void
    {
        $server = ['HTTP_ACCEPT' => 'application/json', 'HTTP_X_OPEN_REEL' => '1'];
        $response = $this->kernel->handle(Request::create("/api/{$path}", $method, $body, server: $server));
        if ($response->getStatusCode() !== 200) {
            throw new \RuntimeException("{$method} {$path} answered {$response->getStatusCode()}");
        }
    }
}
