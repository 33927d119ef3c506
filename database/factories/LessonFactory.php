<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Lesson;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Lesson> */
final class LessonFactory extends Factory
{
    protected $model = Lesson::class;

    public function definition(): array
    {
        return ['title' => 'How to read a tide table', 'width' => 1280, 'height' => 720, 'fps' => 25];
    }
}
