<?php

namespace App\Console\Commands;

use App\Actions\ImportFolder;
use App\Jobs\PrepareLessonJob;
use App\Models\Lesson;
use Illuminate\Console\Command;
use OpenReel\Core\Picture\Corner;
use OpenReel\Core\Picture\Layout;

final class DemoCommand extends Command
{
    use ExportsLessons;

    protected $signature = 'reel:demo {--json : say nothing}';

    protected $description = 'Put the demo lesson on an empty shelf';

    public function handle(ImportFolder $import): int
    {
        if (Lesson::withTrashed()->exists()) {
            return self::SUCCESS;
        }

        return $this->plainly(function () use ($import): int {
            $lesson = $import(base_path('demo/lesson'), ['width' => 1280, 'height' => 720, 'fps' => 25], say: $this->progress(...));
            $lesson->sections()->where('position', 1)->update(['layout' => Layout::CameraAlone]);
            $lesson->sections()->where('position', 6)->update(['inset_corner' => Corner::TopRight]);
            PrepareLessonJob::dispatch($lesson->id);

            return self::SUCCESS;
        });
    }
}
