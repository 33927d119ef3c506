<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/**
 * Codes that a telephone and the server both know for half a minute: TOTP of RFC 6238 as authenticator programs have it, with
 * HMAC-SHA-1 (RFC 4226), six digits and steps of 30 s.
 */
final readonly class OneTimeCode
{
    private const STEP_SECONDS = 30;

    private const DIGITS = 6;

    /** Clocks may be this many steps apart (RFC 6238, 5.2). */
    private const APART = 1;

    /** RFC 4648, 6. */
    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** Bytes that a new secret has: as many as the hash (RFC 4226, 4, R6). */
    public const BYTES = 20;

    /** @param  string  $secret  raw bytes */
    public function __construct(private string $secret)
    {
    }

    /** @param  int  $time  seconds since 1970 */
    public function at(int $time): string
    {
        return $this->ofStep(intdiv($time, self::STEP_SECONDS));
    }

    /**
     * Whether a code holds at a time; each holds once.
     *
     * @param  int  $time  seconds since 1970
     * @param  int  $last  step of the code that was used last, or 0
     * @return int|null its step, to be remembered; null when it does not hold
     */
    public function stepOf(string $code, int $time, int $last = 0): ?int
    {
        $said = preg_replace('/\s+/', '', $code) ?? '';
        $now = intdiv($time, self::STEP_SECONDS);
        $found = null;
        for ($step = $now - self::APART; $step <= $now + self::APART; $step++) {
            if (hash_equals($this->ofStep($step), $said) && $step > $last) {
                $found ??= $step;
            }
        }

        return $found;
    }

    /** As it is typed into an authenticator: base 32 without padding. */
    public function typed(): string
    {
        $bits = '';
        foreach (str_split($this->secret) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }
        $typed = '';
        foreach (str_split($bits, 5) as $five) {
            $typed .= self::BASE32[(int) bindec(str_pad($five, 5, '0'))];
        }

        return $typed;
    }

    /** The address that authenticators know; a picture of it can be photographed. */
    public function address(string $issuer, string $account): string
    {
        $called = rawurlencode($issuer).':'.rawurlencode($account);

        return "otpauth://totp/{$called}?secret={$this->typed()}&issuer=".rawurlencode($issuer);
    }

    private function ofStep(int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, true);
        $offset = ord($hash[-1]) & 0x0F;
        /** @var array{1: int} $four */
        $four = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($four[1] & 0x7FFFFFFF) % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }
}
