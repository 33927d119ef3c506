<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Who somebody is that a provider vouches for: known by what it calls them, the first time by their address. */
final class FindByOpenId
{
    private const LENGTH = 40;

    public function __construct(private readonly AddPerson $add)
    {
    }

    /**
     * @param  array{subject: string, email: string, name: string}  $says
     *
     * @throws OperationRejected when nobody here is meant, and newcomers are not let in
     */
    public function __invoke(array $says): User
    {
        return DB::transaction(function () use ($says): User {
            $known = User::query()->where('openid_subject', $says['subject'])->first();
            if ($known !== null) {
                return $known;
            }
            $email = AddPerson::address($says['email']);
            $person = $email === '' ? null : User::query()->where('email', $email)->first();
            if ($person?->openid_subject !== null) {
                throw OperationRejected::conflict('Somebody else already signs in here with that address.');
            }
            if ($person === null && ($email === '' || ! config('reel.openid.add'))) {
                throw OperationRejected::conflict('Nobody here has your address. Ask for an invitation, then sign in again.');
            }
            // A password that nobody knows: another is chosen by mail. Also for somebody who was here already: whoever made that
            // account, behind an invitation perhaps, need not be whose address it is, and must not stay in.
            $password = Str::random(self::LENGTH);
            $person ??= ($this->add)($email, $says['name'], $password);
            $person->forceFill([
                'openid_subject' => $says['subject'], 'password' => $password,
                'code_secret' => null, 'code_step' => 0, 'spare_codes' => null,
            ])->save();

            return $person;
        });
    }
}
