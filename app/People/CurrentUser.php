<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;

/** Who asks: somebody who has signed in, or whose request a job goes back to; nobody where one works alone. */
final class CurrentUser
{
    /** Where the framework's context, which jobs inherit, says who asked. */
    public const KEY = 'person';

    public static function signsIn(): bool
    {
        return config('reel.mode') === 'people';
    }

    public static function asks(): ?User
    {
        if (! self::signsIn()) {
            return null;
        }
        $user = Auth::user();
        if ($user instanceof User) {
            return $user;
        }
        $id = Context::get(self::KEY);

        return is_string($id) ? User::query()->find($id) : null;
    }
}
