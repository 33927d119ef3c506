<?php

declare(strict_types=1);

namespace App\Models;

/**
 * The state of a long piece of work changes only from a state in which that makes sense: of a cancel and a finish at the same
 * moment the first counts.
 */
trait HasWorkState
{
    /**
     * @param  list<WorkState>  $from
     * @param  array<string, mixed>  $values  what changes with it
     * @return bool whether it was in one of these states, and has changed
     */
    public function become(WorkState $to, array $from, array $values = []): bool
    {
        $row = (new self)->forceFill(['state' => $to] + $values)->getAttributes();
        $changed = self::query()->whereKey($this->getKey())->whereIn('state', $from)
            ->update(array_intersect_key($row, ['state' => 1] + $values)) === 1;
        $this->refresh();

        return $changed;
    }
}
