<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Film\RequestExport;
use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Models\Lesson;
use App\Models\WorkState;
use App\Readers\LessonCoverage;
use App\Readers\SpokenLines;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Script\Script;

/** How fast the API answers for a lesson of 200 sections and 2,000 takes. */
final class ApiBench implements Bench
{
    private const SECTIONS = 200;

    private const TAKES_EACH = 10;

    private const ROUNDS = 25;

    public function __construct(
        private readonly Kernel $kernel,
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(['api_p95_ms', 'poll_ms', 'used_parts_ms'], $wanted) === []) {
            return;
        }
        $lesson = $this->largeLesson();
        $section = (string) $lesson->sections()->firstOrFail()->id;
        $times = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $calls = [
                ['GET', "lessons/{$lesson->id}"],
                ['GET', "lessons/{$lesson->id}/assembly"],
                ['GET', 'lessons'],
                ['PATCH', "sections/{$section}"],
            ];
            foreach ($calls as [$method, $path]) {
                $times[] = $this->time($method, $path, $method === 'PATCH' ? ['script' => "Round {$round}. Another line."] : []);
            }
        }
        sort($times);

        yield 'api_p95_ms' => [(int) round($times[(int) floor(0.95 * (count($times) - 1))]), '<= 80'];
        $spent = array_map(function () use ($lesson): float {
            $start = hrtime(true);
            LessonCoverage::of($lesson);

            return (hrtime(true) - $start) / 1e6;
        }, range(1, self::ROUNDS));
        sort($spent);
        yield 'used_parts_ms' => [round($spent[intdiv(self::ROUNDS, 2)], 1), '<= 150'];
        $export = RequestExport::row($lesson);
        $export->become(WorkState::Running, [WorkState::Waiting], ['started_at' => now(), 'progress' => 0.3]);
        $polls = array_map(fn (): float => $this->time('GET', "exports/{$export->id}"), range(1, self::ROUNDS));
        sort($polls);
        yield 'poll_ms' => [round($polls[intdiv(self::ROUNDS, 2)], 1), '<= 10'];
    }

    /** @param  array<string, mixed>  $body */
    private function time(string $method, string $path, array $body = []): float
    {
        $start = hrtime(true);
        $response = $this->kernel->handle(
            Request::create(
                "/api/{$path}",
                $method,
                $body,
                server: ['HTTP_ACCEPT' => 'application/json', 'HTTP_X_OPEN_REEL' => '1'],
            ),
        );
        $spent = (hrtime(true) - $start) / 1e6;
        if ($response->getStatusCode() !== 200) {
            throw new \RuntimeException("{$method} {$path} answered {$response->getStatusCode()}");
        }

        return $spent;
    }

    private function largeLesson(): Lesson
    {
        $texts = array_map(
            fn (int $n): array => [
                'heading' => "Section {$n}",
                'text' => str_repeat('The water in the creek falls slowly at first, and then it falls fast. ', 5),
            ],
            range(1, self::SECTIONS),
        );
        $lesson = ($this->save)(($this->make)('A long lesson'), Script::compose('A long lesson', $texts));
        $now = now();
        foreach ($lesson->sections()->get() as $section) {
            $spoken = SpokenLines::of($section);
            $lines = (string) json_encode($spoken);
            $cuts = (string) json_encode(
                array_combine(
                    array_column($spoken, 'id'),
                    array_map(fn (int $i): int => 48_000 + 200_000 * $i, array_keys($spoken)),
                ),
            );
            $takes = $tracks = [];
            foreach (range(1, self::TAKES_EACH) as $number) {
                $id = strtolower((string) Str::ulid());
                $takes[] = [
                    'id' => $id,
                    'section_id' => $section->id,
                    'recorded_in' => $section->id,
                    'number' => $number,
                    'state' => 'ready',
                    'lines' => $lines,
                    'verdict' => $number === self::TAKES_EACH ? 'kept' : 'undecided',
                    'length_ticks' => 1_248_000,
                    'speech_from' => 48_000,
                    'speech_until' => 1_200_000,
                    'expected_ms' => 24_000,
                    'flags' => '[]',
                    'cut_ticks' => $cuts,
                    'line_ticks' => $cuts,
                    'hearing' => 'sure',
                    'spoken' => (string) json_encode(array_column($spoken, 'id')),
                    'created_at' => $now,
                    'updated_at' => $now,
                ];
                $file = ['take_id' => $id, 'length_ticks' => 1_248_000, 'created_at' => $now, 'updated_at' => $now];
                $tracks[] =
                    [
                        'id' => strtolower((string) Str::ulid()),
                        'kind' => 'camera',
                        'file_path' => 'x',
                        'file_mime' => 'video/webm',
                        'hash' => hash('sha256', "c{$id}"),
                        'width' => 1280,
                        'height' => 720,
                        'loudness' => null,
                    ] + $file;
                $tracks[] =
                    [
                        'id' => strtolower((string) Str::ulid()),
                        'kind' => 'microphone',
                        'file_path' => 'y',
                        'file_mime' => 'audio/flac',
                        'hash' => hash('sha256', "m{$id}"),
                        'width' => null,
                        'height' => null,
                        'loudness' => -20.0,
                    ] + $file;
            }
            DB::table('takes')->insert($takes);
            DB::table('tracks')->insert($tracks);
        }

        return $lesson;
    }
}
