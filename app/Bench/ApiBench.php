<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Film\RequestExport;
use App\Models\WorkState;
use App\Queries\Takes\LessonCoverage;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

/** How fast the API answers for a lesson of 200 sections and 2,000 takes. */
final class ApiBench implements Bench
{
    private const ROUNDS = 25;

    public function __construct(
        private readonly Kernel $kernel,
        private readonly LargeLesson $large,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(['api_p95_ms', 'poll_ms', 'used_parts_ms'], $wanted) === []) {
            return;
        }
        $lesson = $this->large->make();
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
}
