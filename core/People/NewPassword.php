<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/**
 * Whether a password may be chosen: by NIST SP 800-63B, 5.1.1.2, length counts and what it is made of does not, and what is tried
 * first is refused: words that many have chosen, whatever stands before and behind them, and one's own name.
 */
final class NewPassword
{
    /** Characters; OWASP ASVS 4.0.3, 2.1.1 and 2.1.2. */
    public const SHORTEST = 12;

    public const LONGEST = 128;

    /** So many different characters at least. */
    private const DIFFERENT = 5;

    /** What is left of a password that is mostly a word that is tried first is guessed too. */
    private const LEFT = 8;

    /**
     * @param  list<string>  $own  what is known of its owner: name, address
     * @param  callable(string): bool  $isCommon  whether many have chosen this, in small letters
     * @return string|null a sentence for its owner; null when it may be chosen
     */
    public static function problem(string $password, array $own, callable $isCommon): ?string
    {
        $length = mb_strlen($password);

        return match (true) {
            $length < self::SHORTEST => 'A password needs at least '.self::SHORTEST.' characters.',
            $length > self::LONGEST => 'A password can have at most '.self::LONGEST.' characters.',
            self::isGuessed(mb_strtolower($password), $own, $isCommon) => 'That password is easy to guess. '
                .'Use three or four words that do not belong together.',
            default => null,
        };
    }

    /**
     * @param  list<string>  $own
     * @param  callable(string): bool  $isCommon
     */
    private static function isGuessed(string $password, array $own, callable $isCommon): bool
    {
        if (count(array_unique(mb_str_split($password))) < self::DIFFERENT || $isCommon($password)) {
            return true;
        }
        // A word with figures and signs round it: password1234!, 2024summer.
        $letters = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $password);
        if ($letters !== '' && $isCommon($letters)) {
            return true;
        }
        foreach ($own as $said) {
            $known = mb_strtolower(trim($said));
            if (mb_strlen($known) >= 4 && str_contains($password, $known)
                && mb_strlen($password) - mb_strlen($known) < self::LEFT) {
                return true;
            }
        }

        // The same again and again: abcabcabcabc.
        return preg_match('/^(.{1,6}?)\1+$/u', $password) === 1;
    }
}
