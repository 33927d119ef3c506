<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Pairing;
use App\People\CurrentUser;
use OpenReel\Core\People\PairingCode;

/** Draws a code for a device to be let in with. The one before does not count any more, and who had typed it is refused. */
final class ShowPairingCode
{
    /** @return string the digits: they are told once, and kept as a hash */
    public function __invoke(): string
    {
        $person = CurrentUser::asks()?->id;
        Pairing::query()->where('user_id', $person)->delete();
        $code = PairingCode::draw();
        Pairing::query()->create(['user_id' => $person, 'code' => self::hash($code), 'wrong' => 0, 'made_at' => now()]);

        return $code;
    }

    public static function hash(string $code): string
    {
        return hash_hmac('sha256', $code, (string) config('app.key'));
    }
}
