<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Models\User;
use App\OperationRejected;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenReel\Core\Kernel\PlainText;
use OpenReel\Core\People\NewPassword;

/** Somebody who may sign in from now on. The first owns what was made before. */
final class AddPerson
{
    private const NAME = 100;

    public function __construct(private readonly AssignOrphans $claim)
    {
    }

    /** @throws OperationRejected when address or password cannot be, or somebody signs in with that address already */
    public function __invoke(string $email, string $name, string $password): User
    {
        $email = self::address($email);
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            throw OperationRejected::badInput('Say the e-mail address of who is to sign in.');
        }
        self::mustBeGood($password, [$email, Str::before($email, '@'), $name]);
        $called = mb_substr(PlainText::row($name), 0, self::NAME);

        return DB::transaction(function () use ($email, $called, $password): User {
            if (User::query()->where('email', $email)->exists()) {
                throw OperationRejected::conflict("{$email} may sign in already.");
            }
            $user = User::query()->create([
                'email' => $email, 'name' => $called === '' ? Str::before($email, '@') : $called, 'password' => $password,
            ]);
            if (User::query()->count() === 1) {
                ($this->claim)($user);
            }

            return $user;
        });
    }

    /** As addresses are compared. */
    public static function address(string $said): string
    {
        return mb_strtolower(trim($said));
    }

    /**
     * @param  list<string>  $own  what is known of its owner
     *
     * @throws OperationRejected
     */
    public static function mustBeGood(string $password, array $own): void
    {
        $common = fn (string $said): bool => in_array($said, self::common(), true);
        $problem = NewPassword::problem($password, $own, $common);
        if ($problem !== null) {
            throw OperationRejected::badInput($problem);
        }
    }

    /** @return list<string> what many have chosen; of the npm package zxcvbn (MIT License, Dan Wheeler and Dropbox, Inc.) */
    private static function common(): array
    {
        static $common = null;

        return $common ??= file(resource_path('common-passwords.txt'), FILE_IGNORE_NEW_LINES) ?: [];
    }
}
