<?php

declare(strict_types=1);

namespace OpenReel\Core\Annotation;

/** @internal colours as recorders name them */
final class Colours
{
    /** The accent of a house style that has none of its own. */
    public const DEFAULT = '0B5D66';

    /** @return string|null RRGGBB; null when it is none */
    public static function parse(mixed $said): ?string
    {
        return is_string($said) && preg_match('/^[0-9A-F]{6}$/iD', $said) === 1 ? strtoupper($said) : null;
    }
}
