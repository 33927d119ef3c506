<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Lessons\ImportFolder;
use App\Jobs\PrepareLessonJob;
use App\Models\Course;
use App\Models\Lesson;
use Illuminate\Console\Command;
use OpenReel\Core\Style\HouseStyle;

final class DemoCommand extends Command
{
    use ExportsLessons;

    protected $signature = 'reel:demo {--json : say nothing}';

    private const STYLE = [
        'width' => 1280,
        'height' => 720,
        'inset_shape' => 'rounded',
        'border' => 'thin',
        'card' => 'shore',
        'presenter' => 'Wenna Tregear',
        'fade_in' => 500,
        'fade_out' => 1000,
    ];

    protected $description = 'Put the demo lesson on an empty shelf';

    public function handle(ImportFolder $import): int
    {
        if (Lesson::withTrashed()->exists()) {
            return self::SUCCESS;
        }

        return $this->plainly(function () use ($import): int {
            $lesson = $import(
                base_path('demo/lesson'),
                ['width' => 1280, 'height' => 720, 'fps' => 25],
                say: $this->progress(...),
            );
            $course = Course::query()->create(['name' => 'Reading the Water', 'style' => HouseStyle::of(self::STYLE)->chosen()]);
            $lesson->update(['course_id' => $course->id]);
            PrepareLessonJob::dispatch($lesson->id);

            return self::SUCCESS;
        });
    }
}
