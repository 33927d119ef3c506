<?php

declare(strict_types=1);

namespace App\Bench;

use OpenReel\Core\Captions\CaptionSegmenter;
use OpenReel\Core\Captions\TimedWord;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Kernel\Tick;

/** How long it takes to cut what is said in ten minutes into captions: 150 words a minute, in sections of a minute. */
final class CaptionBench implements Bench
{
    private const SECTIONS = 10;

    private const WORDS = 150;

    private const ROUNDS = 5;

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('captions_10min_ms')) {
            return;
        }
        $script = (string) file_get_contents(base_path('demo/lesson/script.md'));
        preg_match_all('/\S+/u', (string) preg_replace('/\[[^\]]*\]|^#.*$/m', '', $script), $found);
        $words = array_merge(...array_fill(0, 8, $found[0]));
        $times = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $start = hrtime(true);
            for ($section = 0; $section < self::SECTIONS; $section++) {
                $said = [];
                foreach (array_slice($words, $section * self::WORDS, self::WORDS) as $n => $word) {
                    $said[] = new TimedWord($word, Tick::ofSeconds(0.4 * $n), Tick::ofSeconds(0.4 * $n + 0.36));
                }
                CaptionSegmenter::of($said, FrameRate::of(30));
            }
            $times[] = (hrtime(true) - $start) / 1e6;
        }
        sort($times);

        yield 'captions_10min_ms' => [(int) round($times[intdiv(self::ROUNDS, 2)]), '<= 300'];
    }
}
