<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AddPerson;
use App\Actions\People\HashAnew;
use App\Actions\People\OneTimeCodes;
use App\Http\PeoplePage;
use App\Models\User;
use App\People\Devices;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Signing in, with a password and perhaps a code, and out. */
final class SignInController
{
    /** So often a password may be tried for a person, and from an address, in a minute. */
    private const TRIES = 5;

    private const TRIES_OF_ADDRESS = 30;

    /** Who has said the password and still has to say a code, in the session. */
    private const HALF = 'half_signed_in';

    private const HALF_SECONDS = 600;

    /** `?as=another`: whoever is signed in here makes room. */
    private const ANOTHER = 'another';

    public function show(Request $request): AnyResponse
    {
        PeoplePage::mustBeForPeople();

        return Auth::check() && $request->query('as') !== self::ANOTHER
            ? redirect(PeoplePage::way($request))
            : $this->page($request);
    }

    public function signIn(Request $request, HashAnew $hashAnew): AnyResponse
    {
        PeoplePage::mustBeForPeople();
        $email = AddPerson::address(PeoplePage::said($request, 'email'));
        $own = "sign-in/{$email}/{$request->ip()}";
        if (PeoplePage::isTooMany([$own => self::TRIES, "sign-in/{$request->ip()}" => self::TRIES_OF_ADDRESS])) {
            return $this->page($request, PeoplePage::TOO_MANY, 429);
        }
        // A stranger's password takes as long to be found wrong as anybody's.
        if (! Auth::validate(['email' => $email, 'password' => PeoplePage::said($request, 'password')])) {
            $person = User::query()->where('email', $email)->first();
            Log::warning('A password was wrong', ['address' => $request->ip(), 'person' => $person?->id]);

            return $this->page($request, 'That e-mail address and password do not match.', 422);
        }
        $person = User::query()->where('email', $email)->sole();
        RateLimiter::clear($own);
        $hashAnew($person, PeoplePage::said($request, 'password'));
        if ($person->code_secret !== null) {
            $request->session()->put(self::HALF, [
                'person' => $person->id, 'remember' => $request->boolean('remember'), 'mark' => $person->mark(),
                'until' => now()->getTimestamp() + self::HALF_SECONDS,
            ]);

            return redirect('/sign-in/code?to='.rawurlencode(PeoplePage::way($request)));
        }

        return $this->letIn($request, $person, $request->boolean('remember'));
    }

    public function showCode(Request $request): AnyResponse
    {
        return self::half($request) === null ? redirect('/sign-in') : $this->codePage($request);
    }

    public function code(Request $request, OneTimeCodes $codes): AnyResponse
    {
        $person = self::half($request);
        if ($person === null) {
            return redirect('/sign-in');
        }
        if (PeoplePage::isTooMany(["code/{$person->id}" => self::TRIES])) {
            return $this->codePage($request, PeoplePage::TOO_MANY, 429);
        }
        if (! $codes->use($person, PeoplePage::said($request, 'code'))) {
            Log::warning('A one-time code was wrong', ['address' => $request->ip(), 'person' => $person->id]);

            return $this->codePage($request, 'That code is not right. Each one works once, for half a minute.', 422);
        }
        RateLimiter::clear("code/{$person->id}");
        /** @var array{remember: bool} $half */
        $half = $request->session()->pull(self::HALF);

        return $this->letIn($request, $person, $half['remember']);
    }

    public function signOut(Request $request): RedirectResponse
    {
        PeoplePage::mustBeForPeople();
        // Other devices stay signed in.
        Devices::end($request);

        return redirect('/sign-in');
    }

    private function letIn(Request $request, User $person, bool $remember): RedirectResponse
    {
        Log::info('Somebody signed in', ['address' => $request->ip(), 'person' => $person->id]);
        Devices::begin($request, $person, $remember);

        return redirect(PeoplePage::way($request));
    }

    /** Whoever has said the password a while ago; another password since, and they begin anew. */
    private static function half(Request $request): ?User
    {
        PeoplePage::mustBeForPeople();
        $half = $request->session()->get(self::HALF);
        if (! is_array($half) || $half['until'] < now()->getTimestamp()) {
            return null;
        }
        $person = User::query()->where('id', $half['person'])->first();

        return $person !== null && hash_equals($person->mark(), $half['mark']) ? $person : null;
    }

    private function page(Request $request, ?string $problem = null, int $status = 200): Response
    {
        return PeoplePage::signIn(PeoplePage::said($request, 'email'), PeoplePage::way($request), $problem, $status);
    }

    private function codePage(Request $request, ?string $problem = null, int $status = 200): Response
    {
        return PeoplePage::of('people.code', ['problem' => $problem, 'to' => PeoplePage::way($request)], $status);
    }
}
