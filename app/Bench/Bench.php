<?php

declare(strict_types=1);

namespace App\Bench;

/** One group of figures. What each means stands in docs/figures.md. */
interface Bench
{
    /**
     * @param  string  $folder  for files that are needed meanwhile
     * @param  callable(string): bool  $wanted  whether a figure was asked for
     * @return iterable<string, array{float|int, string}> value and aim by name, as they are measured
     */
    public function figures(string $folder, callable $wanted): iterable;
}
