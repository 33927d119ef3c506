<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\KnowPeople;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Signing in and out, and one's own password. Where one works alone none of this is there. */
final class PeopleController
{
    private const POLICY =
        "default-src 'self'; script-src 'self'; object-src 'none'; style-src 'self'; form-action 'self'; base-uri 'none'; ".
        "frame-ancestors 'none'";

    /** So often a password may be tried for a person, and from an address, in a minute. */
    private const TRIES = 5;

    private const TRIES_OF_ADDRESS = 30;

    public const SHORTEST = 10;

    /** Who is signed in, for the interface. */
    public function me(Request $request): JsonResponse
    {
        /** @var User|null $user */
        $user = $request->user();

        return new JsonResponse(['mode' => config('reel.mode'), 'person' => $user?->only(['name', 'email'])]);
    }

    public function show(Request $request): AnyResponse
    {
        $this->mustBeForPeople();

        return Auth::check() ? redirect(self::way($request)) : $this->page($request);
    }

    public function signIn(Request $request): AnyResponse
    {
        $this->mustBeForPeople();
        $email = mb_strtolower(trim(self::said($request, 'email')));
        $limits = ["sign-in/{$email}/{$request->ip()}" => self::TRIES, "sign-in/{$request->ip()}" => self::TRIES_OF_ADDRESS];
        foreach ($limits as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                return $this->page($request, 'Too many tries. Wait a minute, then try again.', 429);
            }
            RateLimiter::hit($key);
        }
        $said = ['email' => $email, 'password' => self::said($request, 'password')];
        if (! Auth::attempt($said, $request->boolean('remember'))) {
            return $this->page($request, 'That address and password do not go together.', 422);
        }
        RateLimiter::clear("sign-in/{$email}/{$request->ip()}");
        $request->session()->regenerate();
        KnowPeople::begin($request);

        return redirect(self::way($request));
    }

    public function signOut(Request $request): RedirectResponse
    {
        $this->mustBeForPeople();
        // Other devices stay signed in.
        Auth::logoutCurrentDevice();
        $request->session()->invalidate();

        return redirect('/sign-in');
    }

    public function account(): AnyResponse
    {
        $this->mustBeForPeople();

        return $this->accountPage();
    }

    /** Another password ends what is signed in elsewhere. */
    public function password(Request $request): AnyResponse
    {
        $this->mustBeForPeople();
        /** @var User $user */
        $user = $request->user();
        $key = "password/{$user->id}";
        $new = self::said($request, 'new');
        $problem = match (true) {
            RateLimiter::tooManyAttempts($key, self::TRIES) => 'Too many tries. Wait a minute, then try again.',
            ! Hash::check(self::said($request, 'password'), $user->password) => 'That is not your password now.',
            mb_strlen($new) < self::SHORTEST => 'A password has at least '.self::SHORTEST.' characters.',
            default => null,
        };
        if ($problem !== null) {
            RateLimiter::hit($key);

            return $this->accountPage($problem, 422);
        }
        $user->forceFill(['password' => $new, 'remember_token' => null])->save();
        Auth::login($user);
        $request->session()->regenerate();
        KnowPeople::begin($request);

        return $this->accountPage(done: 'Your password is changed. Elsewhere you are signed out.');
    }

    private function page(Request $request, ?string $problem = null, int $status = 200): Response
    {
        return $this->answer('people.sign-in', [
            'problem' => $problem, 'email' => self::said($request, 'email'), 'to' => self::way($request),
        ], $status);
    }

    private function accountPage(?string $problem = null, int $status = 200, ?string $done = null): Response
    {
        return $this->answer('people.account', [
            'problem' => $problem, 'done' => $done, 'user' => Auth::user(), 'shortest' => self::SHORTEST,
        ], $status);
    }

    /** @param  array<string, mixed>  $with */
    private function answer(string $view, array $with, int $status): Response
    {
        return response()->view($view, $with, $status)
            ->header('Content-Security-Policy', self::POLICY)
            ->header('Cache-Control', 'no-store');
    }

    /** Where one wanted to go; a page of ours, whatever is said. */
    private static function way(Request $request): string
    {
        $to = self::said($request, 'to');

        return preg_match('#^/(?![/\\\\])[^\x00-\x1f]*$#', $to) === 1 && ! str_starts_with($to, '/sign-in') ? $to : '/';
    }

    private function mustBeForPeople(): void
    {
        abort_unless(config('reel.mode') === 'people', 404);
    }

    private static function said(Request $request, string $name): string
    {
        $said = $request->input($name);

        return is_string($said) ? $said : '';
    }
}
