<?php

namespace Database\Factories;

use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Section> */
final class SectionFactory extends Factory
{
    protected $model = Section::class;

    public function definition(): array
    {
        return [
            'lesson_id' => Lesson::factory(),
            'position' => 1,
            'heading' => 'What a tide table tells you',
            'script' => 'Find the day. Then find the first high water.',
        ];
    }
}
