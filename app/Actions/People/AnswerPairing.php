<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\PairedDevice;
use App\Models\Pairing;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/** Lets a device in that has typed the code, or does not. */
final class AnswerPairing
{
    /** @throws OperationRejected when none has asked */
    public function accept(Pairing $pairing): void
    {
        DB::transaction(function () use ($pairing): void {
            if (! $pairing->isAsked() || Pairing::query()->whereKey($pairing->id)->delete() === 0) {
                throw OperationRejected::conflict('No device waits any more.');
            }
            PairedDevice::query()->create([
                'user_id' => $pairing->user_id, 'name' => $pairing->name, 'network' => $pairing->network,
                'token' => $pairing->token, 'paired_at' => now(), 'used_at' => now(),
            ]);
        });
        Log::info('A device was let in.', ['network' => $pairing->network]);
    }

    /** Also takes a code back that nobody has typed. */
    public function refuse(Pairing $pairing): void
    {
        $pairing->delete();
    }
}
