<?php

declare(strict_types=1);

namespace App\Actions\Takes;

/** What became of a change of a take, so that it can be undone. */
final readonly class TakeChanged
{
    /**
     * @param  array<string, array<string, mixed>>  $had  by what was changed (`framing`, `area`, `adjustment`) and take id: what
     *    each of the takes had before
     */
    public function __construct(private array $had, private ?VerdictGiven $verdict)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $was = [];
        foreach ($this->had as $name => $before) {
            foreach ($before as $id => $value) {
                $was[$id] = ($was[$id] ?? ['id' => $id]) + [$name => $value];
            }
        }

        return [
            ...($this->had === [] ? [] : ['was' => array_values($was)]),
            ...($this->verdict === null ? [] : ['undo' => $this->verdict->toArray(), 'wrote' => $this->verdict->wrote]),
        ];
    }
}
