<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AddPerson;
use App\Actions\People\HashAnew;
use App\Actions\People\OneTimeCodes;
use App\Http\Peer;
use App\Http\PeoplePage;
use App\Models\User;
use App\People\Devices;
use App\People\KnownBrowser;
use App\People\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Signing in, with a password and perhaps a code, and out. */
final class SignInController
{
    /** So often a password may be tried for a person, and from an address, in a minute. */
    private const TRIES = 5;

    private const TRIES_OF_ADDRESS = 30;

    /** And from anywhere but where they have been before: tries, and seconds. */
    private const TRIES_OF_PERSON = [50, 3600];

    private const TRIES_OF_CODES = [20, 3600];

    private const TRIED_ELSEWHERE = 'This password was tried too often. Sign in where you have before, choose a new password by '
        .'mail, or try again later.';

    private const CODES_TRIED_ELSEWHERE = 'Codes were tried too often. Use a spare code, sign in where you have before, or try '
        .'again later.';

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
        $network = Peer::network($request);
        $own = "sign-in/{$email}/{$network}";
        if (PeoplePage::isTooMany([$own => self::TRIES, "sign-in-from/{$network}" => self::TRIES_OF_ADDRESS])) {
            return $this->page($request, PeoplePage::TOO_MANY, 429);
        }
        $person = User::query()->where('email', $email)->first();
        if (! KnownBrowser::isOf($request, $person) && ! Tries::may("sign-in-of/{$email}", ...self::TRIES_OF_PERSON)) {
            return $this->page($request, self::TRIED_ELSEWHERE, 429);
        }
        if (! self::isRight($person, PeoplePage::said($request, 'password')) || $person === null) {
            Log::warning('A password was wrong', ['address' => $request->ip(), 'person' => $person?->id]);

            return $this->page($request, 'That e-mail address and password do not match.', 422);
        }
        Tries::forget($own);
        Tries::forget("sign-in-of/{$email}");
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
        $own = "code/{$person->id}/".Peer::network($request);
        if (PeoplePage::isTooMany([$own => self::TRIES])) {
            return $this->codePage($request, PeoplePage::TOO_MANY, 429);
        }
        // Spare ones cannot be guessed: whoever is tried by strangers gets in with one, or where they have been before.
        $spareOnly = ! KnownBrowser::isOf($request, $person) && ! Tries::may("code-of/{$person->id}", ...self::TRIES_OF_CODES);
        if (! $codes->use($person, PeoplePage::said($request, 'code'), $spareOnly)) {
            Log::warning('A one-time code was wrong', ['address' => $request->ip(), 'person' => $person->id]);
            $codes->noteWrong($person);

            return $spareOnly
                ? $this->codePage($request, self::CODES_TRIED_ELSEWHERE, 429)
                : $this->codePage($request, 'That code is not right. Each one works once, for half a minute.', 422);
        }
        Tries::forget($own);
        Tries::forget("code-of/{$person->id}");
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

    /** A stranger's password takes as long to be found wrong as anybody's. */
    private static function isRight(?User $person, #[\SensitiveParameter] string $password): bool
    {
        $nobodys = Cache::rememberForever(
            'nobodys-password/'.hash('xxh128', (string) json_encode([config('hashing'), config('app.key')])),
            fn (): string => Hash::make(Str::random(40)),
        );

        return Hash::check($password, $person->password ?? $nobodys) && $person !== null;
    }

    private function letIn(Request $request, User $person, bool $remember): RedirectResponse
    {
        Log::info('Somebody signed in', ['address' => $request->ip(), 'person' => $person->id]);
        Devices::begin($request, $person, $remember);
        KnownBrowser::note($request, $person);

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
