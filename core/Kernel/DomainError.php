<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/**
 * A rule of the job was broken. The message is a plain sentence that may be shown to the presenter; what failed, and where, is
 * there for programs.
 *
 * Each folder has its own `...Problem` with named constructors that say what went wrong.
 */
abstract class DomainError extends \DomainException
{
    /**
     * @param  string  $what  what could not be: the name of a part, a kind of thing
     * @param  string|int|float|null  $where  the value, place or name that it failed at
     * @param  \Throwable|null  $cause  what it follows from
     */
    final protected function __construct(
        string $message,
        public readonly string $what = '',
        public readonly string|int|float|null $where = null,
        ?\Throwable $cause = null,
    ) {
        parent::__construct($message, previous: $cause);
    }

    /** @return array{what: string, where: string|int|float|null} for whoever keeps the log */
    public function context(): array
    {
        return ['what' => $this->what, 'where' => $this->where];
    }
}
