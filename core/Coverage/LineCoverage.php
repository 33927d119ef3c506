<?php

declare(strict_types=1);

namespace OpenReel\Core\Coverage;

use OpenReel\Core\Kernel\Span;

/** Which take speaks a line in the film, and why. */
final readonly class LineCoverage
{
    /**
     * @param  string|null  $take  id; null when nobody speaks it yet
     * @param  Span|null  $span  where in the take, from where it can be cut until the next line; null when nobody does
     * @param  list<string>  $others  ids of further kept takes that speak it and are not heard
     * @param  string|null  $was  the words that are spoken, when they are not those of the script any more
     * @param  int|null  $wasTake  number of the take that speaks them
     */
    public function __construct(
        public string $line,
        public ?string $take = null,
        public ?Span $span = null,
        public ?Why $why = null,
        public array $others = [],
        public ?string $was = null,
        public ?int $wasTake = null,
    ) {
    }
}
