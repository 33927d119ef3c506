<?php

declare(strict_types=1);

namespace App\Queries\Film;

use OpenReel\Core\Take\TakeView;

/** What a stand-in voice reads of a lesson. */
final readonly class DraftReading
{
    /**
     * @param  array<string, TakeView>  $drafts  by line id
     * @param  array<string, string>  $files  path on the media disk by hash
     * @param  int  $unread  how many lines it has still to read
     */
    public function __construct(public array $drafts = [], public array $files = [], public int $unread = 0)
    {
    }
}
