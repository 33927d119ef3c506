<?php

declare(strict_types=1);

namespace App\Actions\Takes;

/** What a verdict changed, and how it was before, so that it can be undone. */
final readonly class VerdictGiven
{
    /**
     * @param  list<array{id: string, verdict: string, kept_order: int, given: list<array<string, mixed>>}>  $takes  as they were
     * @param  list<string>  $wrote  cues that were written into the script
     * @param  array{text: string, revision: int}|null  $script  the text as it was, and the revision that took its place
     */
    public function __construct(public array $takes, public array $wrote, public ?array $script)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['takes' => $this->takes, 'script' => $this->script];
    }
}
