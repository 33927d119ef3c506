<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SpeakingTime;

/** How a script of 10,000 words is read and timed, and how fast the page answers while it is typed. */
final class ScriptBench implements Bench
{
    private const WORDS = 10_000;

    private const ROUNDS = 5;

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
                foreach (Script::parse($text)->sections as $section) {
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
        ($this->save)($lesson, Script::parse($text));

        return (int) round((float) Visit::run($folder, 'typing.mjs', "/lessons/{$lesson->id}/script", quiet: true));
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
