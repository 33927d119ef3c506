<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Mail\AccountMail;
use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\People\OneTimeCode;

/** Codes of a telephone that are asked for beside the password, and spare ones for when it is lost. */
final class OneTimeCodes
{
    private const SPARE = 8;

    private const SPARE_LENGTH = 10;

    /** So many wrong codes in a day are no slips of the finger. */
    private const TOLD_AFTER = 10;

    private const COUNTED_SECONDS = 86_400;

    public function __construct(private readonly MailPerson $mail)
    {
    }

    public static function newSecret(): string
    {
        return random_bytes(OneTimeCode::BYTES);
    }

    /**
     * Asked for from now on. Their owner shows first that the telephone knows them.
     *
     * @return list<string> codes that hold once each, without the telephone; nobody is told them again
     *
     * @throws OperationRejected when the code is not one of this secret
     */
    public function turnOn(User $person, string $secret, string $code): array
    {
        $step = (new OneTimeCode($secret))->stepOf($code, now()->getTimestamp())
            ?? throw OperationRejected::badInput('That code is not right. Check the clock on your phone, then try the next code.');
        $spare = array_map(fn (): string => strtolower(Str::random(self::SPARE_LENGTH)), range(1, self::SPARE));
        $person->forceFill([
            'code_secret' => base64_encode($secret), 'code_step' => $step,
            'spare_codes' => array_map(self::hash(...), $spare),
        ])->save();
        ($this->mail)($person, AccountMail::codes(true));

        return $spare;
    }

    public function turnOff(User $person): void
    {
        $person->forceFill(['code_secret' => null, 'code_step' => 0, 'spare_codes' => null])->save();
        ($this->mail)($person, AccountMail::codes(false));
    }

    /**
     * Uses up a code of the telephone, or a spare one.
     *
     * @param  bool  $spareOnly  those of the telephone are not asked now
     */
    public function use(User $person, string $code, bool $spareOnly = false): bool
    {
        return DB::transaction(function () use ($person, $code, $spareOnly): bool {
            $person->refresh();
            $secret = base64_decode((string) $person->code_secret, true);
            if ($secret === false || $secret === '') {
                return false;
            }
            $step = $spareOnly ? null : (new OneTimeCode($secret))->stepOf($code, now()->getTimestamp(), $person->code_step);
            if ($step !== null) {
                $person->forceFill(['code_step' => $step])->save();

                return true;
            }
            $left = array_values(array_diff($person->spare_codes ?? [], [self::hash(strtolower(trim($code)))]));
            if (count($left) === count($person->spare_codes ?? [])) {
                return false;
            }
            $person->forceFill(['spare_codes' => $left])->save();

            return true;
        });
    }

    /** Whoever tries codes knows the password: their owner is told, once a day. */
    public function noteWrong(User $person): void
    {
        Cache::add("wrong-codes/{$person->id}", 0, self::COUNTED_SECONDS);
        if ((int) Cache::increment("wrong-codes/{$person->id}") === self::TOLD_AFTER) {
            ($this->mail)($person, AccountMail::wrongCodes(self::TOLD_AFTER));
        }
    }

    private static function hash(string $code): string
    {
        return hash_hmac('sha256', $code, (string) config('app.key'));
    }
}
