<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Models\Lesson;
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

    public function __construct(private readonly Kernel $kernel, private readonly MakeLesson $make, private readonly SaveScript $save)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('api_p95_ms')) {
            return;
        }
        $lesson = $this->largeLesson();
        $section = (string) $lesson->sections()->firstOrFail()->id;
        $times = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            foreach ([['GET', "lessons/{$lesson->id}"], ['GET', "lessons/{$lesson->id}/assembly"], ['GET', 'lessons'], ['PATCH', "sections/{$section}"]] as [$method, $path]) {
                $times[] = $this->time($method, $path, $method === 'PATCH' ? ['script' => "Round {$round}. Another line."] : []);
            }
        }
        sort($times);

        yield 'api_p95_ms' => [(int) round($times[(int) floor(0.95 * (count($times) - 1))]), '<= 100'];
    }

    /** @param  array<string, mixed>  $body */
    private function time(string $method, string $path, array $body): float
    {
        $start = hrtime(true);
        $response = $this->kernel->handle(Request::create("/api/{$path}", $method, $body, server: ['HTTP_ACCEPT' => 'application/json', 'HTTP_X_OPEN_REEL' => '1']));
        $spent = (hrtime(true) - $start) / 1e6;
        if ($response->getStatusCode() !== 200) {
            throw new \RuntimeException("{$method} {$path} answered {$response->getStatusCode()}");
        }

        return $spent;
    }

    private function largeLesson(): Lesson
    {
        $texts = array_map(fn (int $n): array => ['heading' => "Section {$n}", 'text' => str_repeat('The water in the creek falls slowly at first, and then it falls fast. ', 5)], range(1, self::SECTIONS));
        $lesson = ($this->save)(($this->make)('A long lesson'), Script::compose('A long lesson', $texts));
        $now = now();
        foreach ($lesson->sections()->get() as $section) {
            $lines = (string) json_encode(SpokenLines::of($section));
            DB::table('takes')->insert(array_map(fn (int $number): array => [
                'id' => strtolower((string) Str::ulid()), 'section_id' => $section->id, 'recorded_in' => $section->id, 'number' => $number, 'state' => 'ready', 'lines' => $lines,
                'verdict' => $number === self::TAKES_EACH ? 'kept' : 'undecided', 'length_ticks' => 1_248_000, 'speech_from' => 48_000, 'speech_until' => 1_200_000, 'expected_ms' => 24_000,
                'flags' => '[]', 'camera_width' => 1280, 'camera_height' => 720, 'media_path' => 'x', 'media_mime' => 'video/webm',
                'media_hash' => hash('sha256', $section->id.$number), 'sound_path' => 'y', 'sound_hash' => hash('sha256', $number.$section->id), 'loudness' => -20.0,
                'created_at' => $now, 'updated_at' => $now,
            ], range(1, self::TAKES_EACH)));
        }

        return $lesson;
    }
}
