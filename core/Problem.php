<?php

declare(strict_types=1);

namespace OpenReel\Core;

/**
 * A rule of the job was broken. The message is a plain sentence that may be shown to the presenter.
 *
 * Each folder has its own `...Problem` with named constructors that say what went wrong.
 */
abstract class Problem extends \DomainException
{
    final protected function __construct(string $message)
    {
        parent::__construct($message);
    }
}
