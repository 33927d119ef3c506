<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Mail\AccountMail;
use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Str;

/** Another password ends whatever is signed in with the one before, and its owner is told. */
final class ChangePassword
{
    public function __construct(private readonly MailPerson $mail)
    {
    }

    /** @throws OperationRejected when it is too short, or easily guessed */
    public function __invoke(User $person, string $password): void
    {
        AddPerson::mustBeGood($password, [$person->email, Str::before($person->email, '@'), $person->name]);
        $person->update(['password' => $password]);
        $person->devices()->delete();
        ($this->mail)($person, AccountMail::passwordChanged());
    }
}
