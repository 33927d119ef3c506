<?php

declare(strict_types=1);

namespace App\Queries\Takes;

use App\Models\Lesson;
use App\Models\Take;
use OpenReel\Core\Take\TakeState;
use OpenReel\Core\Take\Verdict;

/** A kept take of which nobody knows yet what is in it: a film made now would be without it. */
final readonly class PendingIngest
{
    private function __construct(private Take $take)
    {
    }

    /** The first one in a lesson; null when all that is kept was read. */
    public static function in(Lesson $lesson): ?self
    {
        /** @var Take|null $take */
        $take = Take::query()
            ->whereIn('section_id', $lesson->sections()->select('id'))
            ->where('verdict', Verdict::Kept)
            ->where('state', TakeState::Ingesting)
            ->orderBy('id')
            ->first();

        return $take === null ? null : new self($take);
    }

    /** What is waited for. */
    public function message(): string
    {
        $heading = trim($this->take->section->heading);
        $of = "take {$this->take->number}".($heading === '' ? '' : " of \"{$heading}\"");

        return $this->take->problem === null ? "Waiting until {$of} is read" : "Waiting for {$of}: {$this->take->problem}";
    }
}
