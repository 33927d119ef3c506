<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Hashing\Argon2IdHasher;

/**
 * Argon2id over what a secret of this server has made of a password (OWASP ASVS 2.4.5): whoever has the database and not the
 * secret can try none. A hash says which secret it is of, so that the one before is known still.
 */
final class KeyedHasher extends Argon2IdHasher
{
    private const FORM = '/^\$keyed\$(?<key>[0-9a-f]{8})(?<hash>\$argon2id\$.+)$/';

    /** @var array<string, string> the secret of each name, the one in use first */
    private readonly array $keys;

    /**
     * @param  array<string, mixed>  $options  of Argon2id
     * @param  non-empty-list<string>  $secrets  the one in use, then those of before
     */
    public function __construct(array $options, #[\SensitiveParameter] array $secrets)
    {
        parent::__construct($options);
        $keys = [];
        foreach ($secrets as $secret) {
            $key = hash_hkdf('sha256', $secret, info: 'open-reel/passwords');
            $keys['k'.substr(hash('sha256', $key), 0, 8)] = $key;
        }
        $this->keys = $keys;
    }

    /** @param  array<string, mixed>  $options */
    public function make(#[\SensitiveParameter] $value, array $options = []): string
    {
        $name = (string) array_key_first($this->keys);

        return '$keyed$'.substr($name, 1).parent::make(self::with($this->keys[$name], $value), $options);
    }

    /** @param  array<string, mixed>  $options */
    public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
    {
        if (! preg_match(self::FORM, (string) $hashedValue, $parts)) {
            // Made before there was a secret.
            return parent::check($value, $hashedValue, $options);
        }
        $key = $this->keys["k{$parts['key']}"] ?? null;

        return $key !== null && parent::check(self::with($key, $value), $parts['hash'], $options);
    }

    /** Whether a password that is kept so can be known: it is of a secret that this server has, or of none. */
    public function knows(string $hash): bool
    {
        return ! preg_match(self::FORM, $hash, $parts) || isset($this->keys["k{$parts['key']}"]);
    }

    /** @param  array<string, mixed>  $options */
    public function needsRehash($hashedValue, array $options = []): bool
    {
        return ! preg_match(self::FORM, (string) $hashedValue, $parts)
            || "k{$parts['key']}" !== array_key_first($this->keys)
            || parent::needsRehash($parts['hash'], $options);
    }

    /** @return array<string, mixed> */
    public function info($hashedValue): array
    {
        return parent::info(preg_match(self::FORM, (string) $hashedValue, $parts) ? $parts['hash'] : $hashedValue);
    }

    private static function with(string $key, #[\SensitiveParameter] string $value): string
    {
        return base64_encode(hash_hmac('sha256', $value, $key, true));
    }
}
