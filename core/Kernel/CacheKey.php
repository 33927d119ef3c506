<?php

declare(strict_types=1);

namespace OpenReel\Core\Kernel;

/** The name of something slow to make: the hash of everything it is made from. */
final class CacheKey
{
    /**
     * @param  string  $kind  what is made: `segment`, `sound`, `soundtrack`
     * @param  array<string, mixed>  $inputs  numbers, strings, lists; the order of names does not matter
     * @param  string  $encoder  the encoder's version: another encoder makes other files
     * @return string 64 hexadecimal digits
     */
    public static function of(string $kind, array $inputs, string $encoder): string
    {
        $sorted = self::sorted(['kind' => $kind, 'encoder' => $encoder, 'inputs' => $inputs]);

        return hash('sha256', json_encode($sorted, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /**
     * @param  array<array-key, mixed>  $value
     * @return array<array-key, mixed>
     */
    private static function sorted(array $value): array
    {
        if (! array_is_list($value)) {
            ksort($value);
        }

        return array_map(fn (mixed $v): mixed => is_array($v) ? self::sorted($v) : $v, $value);
    }
}
