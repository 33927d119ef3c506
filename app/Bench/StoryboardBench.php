<?php

declare(strict_types=1);

namespace App\Bench;

/** How soon the storyboard of a lesson of 200 sections is seen. */
final class StoryboardBench implements Bench
{
    public function __construct(private readonly LargeLesson $large)
    {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('storyboard_open_ms')) {
            return;
        }
        $lesson = $this->large->make();
        $milliseconds = Visit::run($folder, 'storyboard.mjs', "/lessons/{$lesson->id}", quiet: true);

        yield 'storyboard_open_ms' => [(int) round((float) $milliseconds), '<= 800'];
    }
}
