<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * Somebody who may sign in.
 *
 * @property string $id
 * @property string $name
 * @property string $email in small letters
 * @property string $password hashed
 */
final class User extends Authenticatable
{
    use HasUlids;

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}
