<?php

declare(strict_types=1);

namespace OpenReel\Core\Assembly;

use OpenReel\Core\Annotation\Stroke;

/** @internal of BoardPages: a stroke on a page of the board, and the take in which it was drawn */
final readonly class BoardStroke
{
    /** @param  string  $take  id */
    public function __construct(public string $take, public Stroke $stroke)
    {
    }
}
