<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SpeakingTime;
use Symfony\Component\Process\Process;

/** How a script of 10,000 words is read and timed, and how fast the page answers while it is typed. */
final class ScriptBench implements Bench
{
    private const WORDS = 10_000;

    private const ROUNDS = 5;

    private const PORT = 8127;

    public function __construct(private readonly MakeLesson $make, private readonly SaveScript $save)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        $text = self::text();
        if ($wanted('script_10k_ms')) {
            $times = [];
            for ($round = 0; $round < self::ROUNDS; $round++) {
                $start = hrtime(true);
                foreach (Script::read($text)->sections as $section) {
                    SpeakingTime::of($section);
                }
                $times[] = (hrtime(true) - $start) / 1e6;
            }
            sort($times);

            yield 'script_10k_ms' => [(int) round($times[intdiv(self::ROUNDS, 2)]), '<= 200'];
        }
        if ($wanted('typing_p95_ms')) {
            yield 'typing_p95_ms' => [$this->typing($text, $folder), '<= 50'];
        }
    }

    /** Real keys in a real browser, each timed until what it changed is painted. */
    private function typing(string $text, string $folder): int
    {
        $lesson = ($this->make)('A long script');
        ($this->save)($lesson, Script::read($text));
        $server = new Process(
            [base_path('bin/serve'), '--port', (string) self::PORT, '--workers', '0'],
            base_path(),
            [
                'DB_DATABASE' => "{$folder}/bench.sqlite",
                'REEL_MEDIA_ROOT' => "{$folder}/media",
            ],
            timeout: null,
        );
        $server->start();
        try {
            $browser = new Process(
                ['node', base_path('app/Bench/typing.mjs'), 'http://127.0.0.1:'.self::PORT."/lessons/{$lesson->id}/script"],
                base_path(),
                timeout: 180,
            );

            return (int) round((float) $browser->mustRun()->getOutput());
        } finally {
            $server->stop(1);
        }
    }

    /** The demo's script over and over, with numbers among its words. */
    private static function text(): string
    {
        $demo = (string) preg_replace('/^# .*\n/', '', (string) file_get_contents(base_path('demo/lesson/script.md')));
        $sentence = 0;
        $text = "# A long script\n";
        while (str_word_count($text) < self::WORDS) {
            $text .= preg_replace_callback(
                '/\. /',
                function () use (&$sentence): string {
                    return ++$sentence % 7 === 0 ? ', at 06:42 it is 4.8 m. ' : '. ';
                },
                $demo,
            );
        }

        return $text;
    }
}
