<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Film\ExportLesson;
use App\Actions\Film\RequestExport;
use App\Media\MediaStore;
use App\Models\Export;
use App\Models\Lesson;
use App\OperationRejected;

/** Exporting from the command line: in this process, without queue workers. */
trait ExportsLessons
{
    use SpeaksPlainly;

    /** Where the film goes; looked at before any work is done. */
    private function out(): string
    {
        $out = $this->option('out');

        if (! is_string($out) || $out === '') {
            throw OperationRejected::badInput('Say where the film goes with --out FILE.mp4.');
        }
        $folder = dirname($out);
        $isNew = ! file_exists($out);
        $file = is_dir($out) || ! is_dir($folder) ? false : @fopen($out, 'ab');
        if ($file === false) {
            throw OperationRejected::badInput(
                match (true) {
                    is_dir($out) => "{$out} is a folder. Say which file the film goes to, for example {$out}/film.mp4.",
                    ! is_dir($folder) => "There is no folder {$folder}, so the film cannot be written to {$out}.",
                    default => "Nothing can be written to {$out}.",
                },
            );
        }
        fclose($file);
        if ($isNew) {
            @unlink($out);
        }

        return $out;
    }

    /** @return Export done, its file copied to `$out` */
    private function exportTo(Lesson $lesson, string $out): Export
    {
        $export = RequestExport::row($lesson);
        try {
            app(
                ExportLesson::class,
            )($export, fn (float $part) => $this->progress(sprintf('Export %d %%', (int) round($part * 100))));
        } catch (\Throwable $e) {
            $export->delete();
            throw $e;
        }
        if (! @copy(app(MediaStore::class)->path((string) $export->path), $out)) {
            throw OperationRejected::badInput(
                "The film is made, but could not be written to {$out}. Is the folder there, and is there room?",
            );
        }

        return $export->refresh();
    }

    private function progress(string $text): void
    {
        if (! $this->option('json')) {
            $this->line($text);
        }
    }

    private function report(Lesson $lesson, Export $export, string $out): void
    {
        $facts = [
            'lesson' => $lesson->id,
            'title' => $lesson->title,
            'file' => $out,
            'bytes' => $export->bytes,
            'frames' => $export->frames,
            'seconds' => round($export->frames / $lesson->fps, 3),
            'findings' => $export->findings,
        ];
        if ($this->option('json')) {
            $this->line(
                (string) json_encode($facts, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE),
            );

            return;
        }
        $rows = [
            ['Lesson', "{$lesson->title} ({$lesson->id})"],
            ['File', $out],
            ['Size', round($export->bytes / 1_000_000, 1).' MB'],
            ['Length', gmdate('G:i:s', intdiv($export->frames, $lesson->fps))." ({$export->frames} frames)"],
        ];
        foreach ($export->findings as $finding) {
            $rows[] = [$finding['ok'] ? 'Good' : 'Look here', $finding['says']];
        }
        $this->table([], $rows);
    }
}
