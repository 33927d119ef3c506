<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Lessons\ImportFolder;
use App\Models\Section;
use App\OperationRejected;
use Illuminate\Console\Command;
use OpenReel\Core\Kernel\FrameRate;
use OpenReel\Core\Style\HouseStyle;
use OpenReel\Core\Take\Verdict;

final class BuildCommand extends Command
{
    use ExportsLessons;

    protected $signature = 'reel:build
        {folder : holds script.md, slides/ and takes/}
        {--out= : the MP4 file to write}
        {--frame=1920x1080 : the size of the picture}
        {--fps=30 : 24, 25, 30, 50 or 60 frames per second}
        {--whole : leave takes untrimmed}
        {--json : print the summary for machines}';

    protected $description = 'Make a lesson from a folder of script, slides and takes, and export it';

    public function handle(ImportFolder $import): int
    {
        // Everything is done here and now; nothing is left to queue workers.
        config(['queue.default' => 'null']);

        return $this->plainly(function () use ($import): int {
            $out = $this->out();
            $lesson = $import(
                self::text($this->argument('folder')),
                $this->frame(),
                (bool) $this->option('whole'),
                $this->progress(...),
            );
            try {
                $export = $this->exportTo($lesson, $out);
            } catch (\Throwable $e) {
                $import->undo($lesson);
                throw $e;
            }
            if (! $this->option('json')) {
                $this->table(
                    ['#', 'Section', 'Takes', 'Kept'],
                    $lesson
                        ->sections()
                        ->with('takes')
                        ->get()
                        ->map(
                            fn (Section $s): array => [
                                $s->position,
                                $s->heading,
                                $s->takes->count(),
                                $s->takes->firstWhere('verdict', Verdict::Kept)->number ?? 'none',
                            ],
                        )
                        ->all(),
                );
            }
            $this->report($lesson, $export, $out);

            return self::SUCCESS;
        });
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /** @return array{width: int, height: int, fps: int} */
    private function frame(): array
    {
        $size = array_map(intval(...), explode('x', self::text($this->option('frame'))));
        if (! in_array($size, array_merge(...array_values(HouseStyle::FRAMES)), true)) {
            throw OperationRejected::badInput('That frame size is not offered. Write --frame=1920x1080, for example.');
        }
        $fps = (int) $this->option('fps');

        return in_array($fps, FrameRate::OFFERED, true)
            ? ['width' => $size[0], 'height' => $size[1], 'fps' => $fps]
            : throw OperationRejected::badInput('The frame rate is 24, 25, 30, 50 or 60.');
    }
}
