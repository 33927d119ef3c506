<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Mail\AccountMail;
use App\Models\User;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;

/** Mails somebody about their account, once the answer is out: how long it takes tells nobody whether there is such a person. */
final class MailPerson
{
    public function __invoke(User $person, AccountMail $mail): void
    {
        $sent = false;
        app()->terminating(function () use ($person, $mail, &$sent): void {
            // A process that answers several requests comes here after each.
            if ($sent) {
                return;
            }
            $sent = true;
            try {
                Mail::to($person->email, $person->name)->send($mail);
            } catch (\Throwable $e) {
                Log::error('A mail could not be sent', ['person' => $person->id, 'detail' => $e->getMessage()]);
            }
        });
    }
}
