<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Actions\Script\SaveScript;
use App\Models\Lesson;
use App\Models\Section;
use Illuminate\Database\Eloquent\Factories\Factory;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;

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

    /** The lesson's script is made to say what its sections say. */
    public function configure(): static
    {
        return $this->afterCreating(function (Section $section): void {
            $sections = array_values($section->lesson->sections()->get()->all());
            $script = Script::compose(
                $section->lesson->title,
                array_map(fn (Section $s): SectionText => new SectionText($s->heading, $s->script), $sections),
            );
            app(SaveScript::class)($section->lesson, $script, known: array_map(fn (Section $s): string => $s->id, $sections));
            $section->refresh();
        });
    }
}
