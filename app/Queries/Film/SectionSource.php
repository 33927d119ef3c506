<?php

declare(strict_types=1);

namespace App\Queries\Film;

use OpenReel\Core\Assembly\SectionInput;

/** What a section brings to the film. */
final readonly class SectionSource
{
    /**
     * @param  list<int>  $idle  numbers of its cues that change the speed of no silence
     * @param  list<string>  $drawings  hashes of pictures that are drawn for it
     */
    public function __construct(public SectionInput $input, public array $idle, public array $drawings)
    {
    }
}
