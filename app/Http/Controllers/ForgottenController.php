<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AddPerson;
use App\Actions\People\ChangePassword;
use App\Actions\People\MailPerson;
use App\Http\Peer;
use App\Http\PeoplePage;
use App\Mail\AccountMail;
use App\Models\User;
use App\OperationRejected;
use App\People\OwnAddress;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use OpenReel\Core\People\NewPassword;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Another password by mail. What is answered never tells whether somebody signs in here. */
final class ForgottenController
{
    private const TRIES = 10;

    public function show(Request $request): Response
    {
        return PeoplePage::of('people.forgotten', ['email' => PeoplePage::said($request, 'email')]);
    }

    public function send(Request $request, MailPerson $mail): Response
    {
        PeoplePage::mustBeForPeople();
        $email = AddPerson::address(PeoplePage::said($request, 'email'));
        if (PeoplePage::isTooMany(['forgotten/'.Peer::network($request) => self::TRIES])) {
            return PeoplePage::of('people.forgotten', ['email' => $email, 'problem' => PeoplePage::TOO_MANY], 429);
        }
        if (config('mail.default') === 'log') {
            // A link in the log would be found by whoever reads that, and by nobody else.
            return PeoplePage::of('people.forgotten', [
                'email' => $email,
                'problem' => 'This server sends no mail. Ask whoever runs it for a new password (bin/reel user reset).',
            ], 503);
        }
        $sent = Password::broker()->sendResetLink(['email' => $email], function (User $person, string $token) use ($mail): void {
            $link = OwnAddress::of("/forgotten/{$token}").'?email='.rawurlencode($person->email);
            $mail($person, AccountMail::reset($link, (int) config('auth.passwords.users.expire')));
        });
        if ($sent !== Password::RESET_LINK_SENT) {
            // A link that nobody gets takes as long to make.
            Hash::make(Str::random(40));
        }

        return PeoplePage::of('people.forgotten', [
            'email' => $email, 'done' => 'If somebody signs in here with that address, a mail is on its way.',
        ]);
    }

    public function choose(Request $request, string $token): Response
    {
        return $this->page($request, $token);
    }

    public function reset(Request $request, string $token, ChangePassword $change): AnyResponse
    {
        PeoplePage::mustBeForPeople();
        if (PeoplePage::isTooMany(['forgotten/'.Peer::network($request) => self::TRIES])) {
            return $this->page($request, $token, PeoplePage::TOO_MANY, 429);
        }
        $password = PeoplePage::said($request, 'password');
        $said = ['email' => AddPerson::address(PeoplePage::said($request, 'email')), 'token' => $token, 'password' => $password];
        try {
            $done = Password::broker()->reset($said, fn (User $person) => $change($person, $password));
        } catch (OperationRejected $no) {
            // The link holds for another try.
            return $this->page($request, $token, $no->getMessage(), 422);
        }

        return $done === Password::PASSWORD_RESET
            ? redirect('/sign-in')
            : $this->page($request, $token, 'This link is no longer valid. Ask for a new one.', 422);
    }

    private function page(Request $request, string $token, ?string $problem = null, int $status = 200): Response
    {
        return PeoplePage::of('people.another-password', [
            'problem' => $problem, 'token' => $token, 'email' => PeoplePage::said($request, 'email'),
            'shortest' => NewPassword::SHORTEST,
        ], $status);
    }
}
