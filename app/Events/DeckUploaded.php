<?php

declare(strict_types=1);

namespace App\Events;

use Illuminate\Foundation\Events\Dispatchable;

/** A file of slides, or of one slide, is on the server. */
final readonly class DeckUploaded
{
    use Dispatchable;

    public function __construct(public string $deckId)
    {
    }
}
