<?php

declare(strict_types=1);

namespace App\Health;

/** Looks at one part of an installation. */
interface Check
{
    /** @return list<Finding> */
    public function look(): array;
}
