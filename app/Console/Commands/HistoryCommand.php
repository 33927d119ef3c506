<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Course;
use App\Models\Lesson;
use App\OperationRejected;
use App\Queries\People\History;
use Illuminate\Console\Command;

/** Who did what, for whoever keeps records of it. */
final class HistoryCommand extends Command
{
    use SpeaksPlainly;

    protected $signature = 'reel:history {of? : id of a lesson or course; all there is unless said}';

    protected $description = 'Print who did what, as JSON lines';

    public function handle(History $history): int
    {
        return $this->plainly(function () use ($history): int {
            $of = $this->argument('of');
            $place = is_string($of)
                ? Lesson::withTrashed()->find($of) ?? Course::withTrashed()->find($of)
                    ?? throw OperationRejected::notYet("There is no lesson or course called {$of}.")
                : null;
            foreach ($history->rows($place) as $row) {
                $this->output->write($row);
            }

            return self::SUCCESS;
        });
    }
}
