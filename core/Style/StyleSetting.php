<?php

declare(strict_types=1);

namespace OpenReel\Core\Style;

/** One thing that a course style settles: what it is called, what it can be, and what it is unless somebody says otherwise. */
final readonly class StyleSetting
{
    /** Longest text. */
    private const LONGEST = 100;

    /** @param  list<string|int>  $choices  that are offered; none where anything of its kind may be */
    private function __construct(
        public string $name,
        public SettingKind $kind,
        public string|int|null $default,
        public array $choices,
        private \Closure $allows,
    ) {
    }

    /**
     * One of some values.
     *
     * @param  list<string|int>  $choices
     */
    public static function oneOf(string $name, string|int $default, array $choices): self
    {
        return new self(
            $name, SettingKind::Choice, $default, $choices, fn (mixed $value): bool => in_array($value, $choices, true),
        );
    }

    /** @param  \BackedEnum  $default  whose cases are the choices */
    public static function case(string $name, \BackedEnum $default): self
    {
        return self::oneOf($name, $default->value, array_column($default::cases(), 'value'));
    }

    public static function switched(string $name, bool $isOn): self
    {
        return self::oneOf($name, $isOn ? 'on' : 'off', ['off', 'on']);
    }

    /**
     * Some values are offered, and others may be as well.
     *
     * @param  list<string|int>  $offered
     * @param  callable(mixed): bool  $allows
     */
    public static function open(string $name, string|int $default, array $offered, callable $allows): self
    {
        return new self($name, SettingKind::Choice, $default, $offered, $allows(...));
    }

    /** @param  string  $default  RRGGBB */
    public static function colour(string $name, string $default): self
    {
        return new self(
            $name, SettingKind::Colour, $default, [],
            fn (mixed $value): bool => is_string($value) && preg_match('/^#?[0-9a-f]{6}$/iD', $value) === 1,
        );
    }

    /** @param  callable(string): bool|null  $allows  what else is asked of it */
    public static function text(string $name, string $default, ?callable $allows = null): self
    {
        return new self(
            $name, SettingKind::Text, $default, [],
            fn (mixed $value): bool => is_string($value) && mb_strlen($value) <= self::LONGEST &&
                ($allows === null || $allows($value)),
        );
    }

    /** The id of something the course has; null for none. */
    public static function id(string $name): self
    {
        return new self(
            $name, SettingKind::Id, null, [], fn (mixed $value): bool => $value === null || is_string($value),
        );
    }

    public function allows(mixed $value): bool
    {
        return ($this->allows)($value);
    }
}
