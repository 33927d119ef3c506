<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Lesson;
use App\OperationRejected;
use Illuminate\Console\Command;

final class ExportCommand extends Command
{
    use ExportsLessons;

    protected $signature = 'reel:export
        {lesson : its id, as reel list shows it}
        {--out= : the MP4 file to write}
        {--json : print the summary for machines}';

    protected $description = 'Export a lesson that is already here';

    public function handle(): int
    {
        return $this->plainly(function (): int {
            $out = $this->out();
            $lesson =
                Lesson::query()->firstWhere('id', $this->argument('lesson')) ??
                throw OperationRejected::badInput('There is no such lesson. See reel list.');
            $this->report($lesson, $this->exportTo($lesson, $out), $out);

            return self::SUCCESS;
        });
    }
}
