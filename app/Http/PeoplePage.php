<?php

declare(strict_types=1);

namespace App\Http;

use App\People\CurrentUser;
use App\People\OpenId;
use App\People\Tries;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A page about signing in: drawn on the server, kept by nobody, and there only where people sign in. */
final class PeoplePage
{
    public const TOO_MANY = 'Too many tries. Wait a minute, then try again.';

    /** Of every page that is drawn on the server and holds a form. */
    public const POLICY =
        "default-src 'self'; script-src 'self'; object-src 'none'; style-src 'self'; img-src 'self' data:; form-action 'self'; ".
        "base-uri 'none'; frame-ancestors 'none'";

    /** @param  array<string, mixed>  $with */
    public static function of(string $view, array $with = [], int $status = 200): Response
    {
        self::mustBeForPeople();

        return response()->view($view, $with + ['problem' => null, 'done' => null], $status)
            ->header('Content-Security-Policy', self::POLICY)
            ->header('Cache-Control', 'no-store')
            // The address of an invitation is its secret.
            ->header('Referrer-Policy', 'no-referrer');
    }

    /** The page on which one signs in, as what was said there before. */
    public static function signIn(string $email, string $to, ?string $problem = null, int $status = 200): Response
    {
        return self::of('people.sign-in', [
            'problem' => $problem, 'email' => $email, 'to' => $to, 'provider' => OpenId::isSetUp() ? OpenId::name() : null,
            'before' => CurrentUser::asks()?->name,
        ], $status);
    }

    public static function mustBeForPeople(): void
    {
        abort_unless(CurrentUser::signsIn(), 404);
    }

    /** What a form says; nothing where it says something else than text. */
    public static function said(Request $request, string $name): string
    {
        $said = $request->input($name);

        return is_string($said) ? $said : '';
    }

    /**
     * Counts a try; whether there were too many in the last minute.
     *
     * @param  array<string, int>  $limits  how often at most, by what is counted
     */
    public static function isTooMany(array $limits): bool
    {
        $may = true;
        foreach ($limits as $what => $most) {
            $may = Tries::may($what, $most) && $may;
        }

        return ! $may;
    }

    /** Where one wanted to go; a page of ours, whatever is said. */
    public static function way(Request $request): string
    {
        $to = self::said($request, 'to');

        return preg_match('#^/(?![/\\\\])[^\x00-\x1f]*$#D', $to) === 1 && ! str_starts_with($to, '/sign-in') ? $to : '/';
    }
}
