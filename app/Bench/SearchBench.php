<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use OpenReel\Core\Script\Script;

/** How long it takes to find words in a hundred lessons of 30 sections and some 180 lines each. */
final class SearchBench implements Bench
{
    private const LESSONS = 100;

    private const ROUNDS = 20;

    /** A word in every lesson, two, the beginning of one, and one that is nowhere. */
    private const ASKED = ['water', 'high water', 'tid', 'mooring'];

    public function __construct(
        private readonly Kernel $kernel,
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('search_ms')) {
            return;
        }
        $words = (string) preg_replace('/^# .*\n/', '', (string) file_get_contents(base_path('demo/lesson/script.md')));
        for ($n = 1; $n <= self::LESSONS; $n++) {
            $title = "Lesson {$n}";
            $text = "# {$title}\n\n".str_replace('tide', "tide {$n}", $words.$words.$words);
            ($this->save)(($this->make)($title), Script::parse($text));
        }
        $times = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            foreach (self::ASKED as $asked) {
                $start = hrtime(true);
                $answer = $this->kernel->handle(Request::create('/api/search', 'GET', ['q' => $asked]));
                $times[] = (hrtime(true) - $start) / 1e6;
                if ($answer->getStatusCode() !== 200) {
                    throw new \RuntimeException("Searching answered {$answer->getStatusCode()}");
                }
            }
        }
        sort($times);

        yield 'search_ms' => [round($times[(int) floor(0.95 * (count($times) - 1))], 1), '<= 80'];
    }
}
