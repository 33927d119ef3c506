<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/**
 * What is typed on another device to be let in: six digits, for a short while, for few tries and once. A guess is right once in
 * 200,000 at best, and even then somebody has to say yes to it.
 */
final readonly class PairingCode
{
    public const DIGITS = 6;

    /** How long it counts. */
    public const SECONDS = 300;

    /** So many wrong ones, and it is over; whoever tried waits as long. */
    public const TRIES = 5;

    /**
     * @param  int  $madeAt  seconds, of any clock
     * @param  int  $wrong  how often something else was typed since
     */
    public function __construct(private int $madeAt, private int $wrong)
    {
    }

    /** @return string six digits, each as likely as the others */
    public static function draw(): string
    {
        return str_pad((string) random_int(0, 10 ** self::DIGITS - 1), self::DIGITS, '0', STR_PAD_LEFT);
    }

    /**
     * @param  string  $typed  with spaces or hyphens as people set them
     * @return string|null the digits; null for what is no code
     */
    public static function read(string $typed): ?string
    {
        $digits = (string) preg_replace('/[\s-]+/u', '', $typed);

        return preg_match('/^[0-9]{'.self::DIGITS.'}$/D', $digits) === 1 ? $digits : null;
    }

    /** @param  int  $now  seconds, of the same clock */
    public function isOpen(int $now): bool
    {
        return $this->secondsLeft($now) > 0 && $this->wrong < self::TRIES;
    }

    public function secondsLeft(int $now): int
    {
        return max(0, $this->madeAt + self::SECONDS - $now);
    }
}
