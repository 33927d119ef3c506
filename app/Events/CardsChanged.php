<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A lesson's cards read or look otherwise now, or are wanted in another frame. */
final readonly class CardsChanged
{
    use Dispatchable;

    /** @param  array{int, int}|null  $frame  width and height; null for the lesson's own */
    public function __construct(public string $lessonId, public ?array $frame = null)
    {
    }
}
