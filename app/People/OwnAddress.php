<?php

declare(strict_types=1);

namespace App\People;

/**
 * How links begin that leave this server: in mails, in what is handed on. Where people sign in only the settings say so, never a
 * request: whoever may choose the name in it could lead others to a server of their own.
 */
final class OwnAddress
{
    /** Names by which nobody but a program on this machine reaches it. */
    public const THIS_MACHINE = ['localhost', '127.0.0.1', '[::1]'];

    /** @param  string  $path  from the top */
    public static function of(string $path): string
    {
        return CurrentUser::signsIn() ? self::root().'/'.ltrim($path, '/') : url($path);
    }

    /** Without a slash at its end. */
    public static function root(): string
    {
        return rtrim((string) config('app.url'), '/');
    }
}
