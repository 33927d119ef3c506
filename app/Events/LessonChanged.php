<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** What a lesson's film is made of is otherwise now: what is not in the cache yet can be made ahead of need. */
final readonly class LessonChanged
{
    use Dispatchable;

    public function __construct(public string $lessonId, public ?string $asKept = null)
    {
    }
}
