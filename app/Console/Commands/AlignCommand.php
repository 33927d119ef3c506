<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Media\LessonFolder;
use App\Media\ProgramFailed;
use App\Media\TakeAligner;
use App\OperationRejected;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Log;
use OpenReel\Core\Alignment\AlignedWord;
use OpenReel\Core\Alignment\Alignment;
use OpenReel\Core\Alignment\Attempt;
use OpenReel\Core\Alignment\ExpectedLine;
use OpenReel\Core\Alignment\Selection;
use OpenReel\Core\Kernel\Span;
use OpenReel\Core\Kernel\Tick;
use OpenReel\Core\Script\Language;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\Spoken;

final class AlignCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:align
        {folder : holds script.md and takes/}
        {--language=en : what is spoken: en, de, fr or es}
        {--json : print what was heard for machines}';

    protected $description = 'Hear which lines of the script are said in each take of a folder';

    /** Its name in the version before. */
    protected $aliases = ['reel:listen'];

    public function handle(LessonFolder $folders, TakeAligner $listener): int
    {
        return $this->plainly(function () use ($folders, $listener): int {
            $language =
                Language::tryFrom(self::text($this->option('language'))) ??
                throw OperationRejected::badInput('The language is en, de, fr or es.');
            $folder = self::text($this->argument('folder'));
            $script = $folders->script($folder);
            $takes = [];
            $failed = false;
            foreach ($folders->takes($folder, count($script->sections), 0) as $take) {
                $file = $take->file;
                $lines = self::lines($script, $take->section, $language);
                if ($take->lines !== []) {
                    $only = array_flip(array_map(fn (int $n): int => $n - 1, $take->lines));
                    $lines = array_values(array_intersect_key($lines, $only));
                }
                if (! $this->option('json')) {
                    $this->line('Take '.basename($file));
                }
                try {
                    $heard = $listener->hear($file, $lines, $language);
                } catch (ProgramFailed $failure) {
                    Log::error("{$file} could not be listened to", $failure->context());
                    $problem = 'This is damaged, or is no film or sound file.';
                    $takes[] = ['file' => basename($file), 'problem' => $problem];
                    $this->option('json') || $this->error($problem);
                    $failed = true;

                    continue;
                }
                $takes[] = self::row($file, $lines, $heard);
                if (! $this->option('json')) {
                    $this->report($lines, $heard);
                }
            }
            if ($this->option('json')) {
                $this->line(json_encode($takes, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
            }

            return $failed ? self::FAILURE : self::SUCCESS;
        });
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /**
     * @param  int  $section  by number; 0 for all of them
     * @return list<ExpectedLine>
     */
    private static function lines(Script $script, int $section, Language $language): array
    {
        $lines = [];
        foreach ($script->sections as $index => $one) {
            if ($section !== 0 && $section !== $index + 1) {
                continue;
            }
            foreach ($one->lines as $n => $line) {
                $lines[] = new ExpectedLine($line->text, Spoken::of($line->text, $language), $n === 0);
            }
        }

        return $lines;
    }

    /**
     * @param  list<ExpectedLine>  $lines
     * @return array<string, mixed>
     */
    private static function row(string $file, array $lines, Alignment $heard): array
    {
        $last = $heard->reads === [] ? Tick::zero() : $heard->reads[count($heard->reads) - 1]->span->until;
        $used = Selection::of($heard, $last->plus(Tick::ofMilliseconds(400)));

        return [
            'file' => basename($file),
            'lines' => array_map(fn (ExpectedLine $line): string => $line->text, $lines),
            'confidence' => $heard->confidence,
            'reads' => array_map(
                fn (Attempt $read): array => ['line' => $read->line + 1, 'kind' => $read->kind->value] +
                    self::seconds($read->span) + [
                        'confidence' => $read->confidence,
                        'words' => array_map(
                            fn (AlignedWord $word): array => ['word' => $word->word] + self::seconds($word->span),
                            $read->words,
                        ),
                    ],
                $heard->reads,
            ),
            'unscripted' => array_map(self::seconds(...), $heard->unscripted),
            'used' => array_map(
                fn (int $line): array => ['line' => $line + 1] + self::seconds($used->spans[$line]),
                $used->order,
            ),
        ];
    }

    /** @return array{from: float, until: float} */
    private static function seconds(Span $span): array
    {
        return ['from' => round($span->from->count / Tick::RATE, 3), 'until' => round($span->until->count / Tick::RATE, 3)];
    }

    /** @param  list<ExpectedLine>  $lines */
    private function report(array $lines, Alignment $heard): void
    {
        $this->table(
            ['From', 'Until', 'Line', 'Read', 'Sure'],
            array_map(
                fn (Attempt $read): array => [
                    ...array_map(fn (float $s): string => number_format($s, 2), array_values(self::seconds($read->span))),
                    mb_strimwidth($lines[$read->line]->text, 0, 50, '...'),
                    $read->kind->value,
                    round(100 * $read->confidence).' %',
                ],
                $heard->reads,
            ),
        );
        foreach ($heard->missing(count($lines)) as $line) {
            $this->line('Not heard: '.$lines[$line]->text);
        }
        if (! $heard->isSure()) {
            $this->line('Not sure: the words of this take may be others than those of the script.');
        }
    }
}
