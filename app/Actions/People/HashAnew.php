<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\User;
use Illuminate\Support\Facades\Hash;

/** Keeps a password in the way in which passwords are kept now, as soon as it is said. Who is signed in elsewhere stays so. */
final class HashAnew
{
    public function __invoke(User $person, #[\SensitiveParameter] string $password): void
    {
        if (! Hash::needsRehash($person->password)) {
            return;
        }
        $was = $person->mark();
        $person->update(['password' => $password]);
        $person->devices()->where('mark', $was)->update(['mark' => $person->mark()]);
    }
}
