<?php

declare(strict_types=1);

namespace App\Health;

/** Something that is counted or measured, with its values by what they are of. */
final readonly class Metric
{
    /**
     * @param  string  $name  small letters and underscores, its unit last
     * @param  bool  $onlyGrows  a counter: it never becomes less while the database stays the same
     * @param  list<array{array<string, string>, int|float}>  $values  labels and value; one without labels for a single value
     */
    public function __construct(
        public string $name,
        public string $says,
        public array $values,
        public bool $onlyGrows = false,
    ) {
    }
}
