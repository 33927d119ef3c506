<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\Pairing;
use App\OperationRejected;
use App\People\PairedBrowser;
use App\People\Tries;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use OpenReel\Core\People\PairingCode;

/** A device types the code that somebody shows: from then on it waits for their yes. */
final class AskToPair
{
    /**
     * @param  string  $name  what the device calls itself
     * @param  string  $network  where it asks from
     * @return string what it is known by from now on
     *
     * @throws OperationRejected when the code is not right, or too many were tried
     */
    public function __invoke(string $typed, string $name, string $network): string
    {
        if (! Tries::may("pairing/{$network}", PairingCode::TRIES, PairingCode::SECONDS)) {
            throw OperationRejected::badInput('Too many wrong codes came from here. Wait five minutes, then try again.');
        }
        $code = PairingCode::read($typed);
        $token = Str::random(40);
        $found = DB::transaction(fn (): bool => $code !== null && $this->take($code, $token, $name, $network));
        if (! $found) {
            Log::info('A wrong pairing code was typed.', ['network' => $network]);

            throw OperationRejected::badInput('That is not the code that is shown in the room, or its five minutes are over.');
        }
        Tries::forget("pairing/{$network}");
        Log::info('A device has typed a pairing code.', ['network' => $network]);

        return $token;
    }

    /** Whether it is somebody's code. A wrong one counts against all that are shown: nobody knows which was meant. */
    private function take(string $code, string $token, string $name, string $network): bool
    {
        /** @var list<Pairing> $shown */
        $shown = Pairing::query()->whereNull('token')->where('made_at', '>', now()->subSeconds(PairingCode::SECONDS))->get()->all();
        $open = array_filter($shown, fn (Pairing $one): bool => $one->isOpen());
        foreach ($open as $one) {
            if (hash_equals($one->code, ShowPairingCode::hash($code))) {
                // Of two who type it at the same moment one is too late.
                return Pairing::query()->whereKey($one->id)->whereNull('token')->update([
                    'token' => PairedBrowser::hash($token), 'name' => $name, 'network' => $network, 'asked_at' => now(),
                ]) === 1;
            }
        }
        foreach ($open as $one) {
            Pairing::query()->whereKey($one->id)->increment('wrong');
        }

        return false;
    }
}
