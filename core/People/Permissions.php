<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/** All roles that somebody has in a lesson: of the lesson itself, and of its course. They add up. */
final readonly class Permissions
{
    /** @param  list<Role>  $roles */
    private function __construct(public array $roles)
    {
    }

    public static function of(Role ...$roles): self
    {
        return new self(array_values(array_unique($roles, SORT_REGULAR)));
    }

    /** Of whoever works alone: there is nobody to ask. */
    public static function alone(): self
    {
        return new self([Role::Owner]);
    }

    public function may(Right $right): bool
    {
        foreach ($this->roles as $role) {
            if (in_array($right, $role->rights(), true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Right> in the order in which they are declared */
    public function rights(): array
    {
        return array_values(array_filter(Right::cases(), $this->may(...)));
    }

    /** For a stranger it is not there. */
    public function isStranger(): bool
    {
        return $this->roles === [];
    }
}
