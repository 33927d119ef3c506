<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Archives\PackLessons;
use App\Models\Course;
use App\Models\Lesson;
use App\OperationRejected;
use Illuminate\Console\Command;

final class ArchiveCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:archive
        {which : the id of a lesson, as reel list shows it, or of a course}
        {--out= : the zip file to write}';

    protected $description = 'Write a lesson, or a course with its lessons, as an archive';

    public function handle(PackLessons $pack): int
    {
        return $this->plainly(function () use ($pack): int {
            $out = $this->option('out');
            if (! is_string($out) || ! is_dir(dirname($out)) || is_dir($out)) {
                throw OperationRejected::badInput('Say where the archive goes with --out FILE.zip.');
            }
            $id = $this->argument('which');
            $lesson = Lesson::query()->firstWhere('id', $id);
            $course = Course::query()->firstWhere('id', $id);
            $draft = match (true) {
                $lesson !== null => $pack->lesson($lesson),
                $course !== null => $pack->course($course),
                default => throw OperationRejected::badInput('There is no such lesson or course. See reel list.'),
            };
            if (! @rename($draft, $out)) {
                throw OperationRejected::badInput("The archive could not be written to {$out}. Is there room?");
            }
            $this->line(sprintf('%s: %.1f MB', $out, filesize($out) / 1_000_000));

            return self::SUCCESS;
        });
    }
}
