<?php

declare(strict_types=1);

namespace App\Bench;

use App\Media\TakeAligner;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Line;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\ScriptSection;
use OpenReel\Core\Script\Spoken;
use OpenReel\Core\Take\AttemptKind;

/** How much of what is said in a take is heard, and how exactly: on takes of which it is known. Takes some minutes. */
final class ReadsBench implements Bench
{
    private const TAKES = 24;

    /** Shorter lines are said too fast to be broken off. */
    private const LETTERS = 25;

    private const AIMS = [
        'reads_found' => '>= 0.99',
        'false_starts_found' => '>= 0.97',
        'false_starts_right' => '>= 0.99',
        'read_start_ms' => '<= 20',
        'read_start_p95_ms' => '<= 100',
    ];

    public function __construct(private readonly TakeAligner $listener)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (array_filter(array_keys(self::AIMS), $wanted) === []) {
            return;
        }
        $sections = Script::parse((string) file_get_contents(base_path('demo/lesson/script.md')))->sections;
        $texts = array_merge(...array_map(
            fn (ScriptSection $s): array => array_map(fn (Line $l): string => $l->text, $s->lines),
            $sections,
        ));
        $long = array_filter($texts, fn (string $t): bool => strlen($t) > self::LETTERS);
        $takes = new StumblingTakes(array_values($long), $folder);
        $said = $found = $heard = ['complete' => 0, 'false start' => 0];
        $off = [];
        for ($seed = 1; $seed <= self::TAKES; $seed++) {
            [$wave, $lines, $truth] = $takes->make($seed);
            $hear = array_map(fn (string $t): ExpectedLine => new ExpectedLine($t, Spoken::of($t)), $lines);
            $reads = $this->listener->hear($wave, $hear, Language::English)->reads;
            foreach ($reads as $read) {
                $heard[self::kind($read->kind === AttemptKind::Complete)]++;
            }
            foreach ($truth as $one) {
                $kind = self::kind($one['complete']);
                $said[$kind]++;
                foreach ($reads as $i => $read) {
                    if (self::isSame($read, $one)) {
                        $found[$kind]++;
                        $off[] = 1000 * abs($read->span->from->seconds() - $one['from']);
                        unset($reads[$i]);
                        break;
                    }
                }
            }
        }
        sort($off);
        $values = [
            'reads_found' => round($found['complete'] / $said['complete'], 3),
            'false_starts_found' => round($found['false start'] / $said['false start'], 3),
            'false_starts_right' => round($found['false start'] / max(1, $heard['false start']), 3),
            'read_start_ms' => (int) round($off[intdiv(count($off), 2)]),
            'read_start_p95_ms' => (int) round($off[(int) (0.95 * count($off))]),
        ];
        foreach ($values as $name => $value) {
            if ($wanted($name)) {
                yield $name => [$value, self::AIMS[$name]];
            }
        }
    }

    private static function kind(bool $isComplete): string
    {
        return $isComplete ? 'complete' : 'false start';
    }

    /** @param  array{line: int, complete: bool, from: float, until: float}  $said */
    private static function isSame(Attempt $read, array $said): bool
    {
        $both = min($read->span->until->seconds(), $said['until']) - max($read->span->from->seconds(), $said['from']);

        return $read->line === $said['line'] &&
            ($read->kind === AttemptKind::Complete) === $said['complete'] &&
            $both > 0.5 * ($said['until'] - $said['from']);
    }
}
