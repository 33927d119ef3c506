<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

/**
 * Somebody who may sign in.
 *
 * @property string $id
 * @property string $name
 * @property string $email in small letters
 * @property string $password hashed
 * @property bool $wants_mail of what others do
 * @property Carbon|null $mailed_at when they were last
 * @property string|null $code_secret of one-time codes, in base 64; null where none are asked for
 * @property int $code_step of the code that was used last
 * @property list<string>|null $spare_codes hashed
 * @property string|null $openid_subject what a provider calls them, behind its issuer
 */
final class User extends Authenticatable
{
    use HasUlids;

    protected $guarded = [];

    protected $attributes = ['wants_mail' => true, 'code_step' => 0];

    protected $hidden = ['password', 'code_secret', 'spare_codes'];

    /** Who signed in here first: what was made before anybody did belongs to them. */
    public static function whoCameFirst(?self $but = null): ?self
    {
        /** @var self|null $first */
        $first = self::query()->whereKeyNot($but->id ?? '')->orderBy('created_at')->orderBy('id')->first();

        return $first;
    }

    /** @return HasMany<Device, $this> in which they are signed in, or were */
    public function devices(): HasMany
    {
        return $this->hasMany(Device::class);
    }

    /** What a device holds of them: another password makes it worthless. */
    public function mark(): string
    {
        return hash_hmac('sha256', $this->password, (string) config('app.key'));
    }

    protected function casts(): array
    {
        return [
            'password' => 'hashed', 'wants_mail' => 'boolean', 'mailed_at' => 'datetime',
            'code_secret' => 'encrypted', 'code_step' => 'integer', 'spare_codes' => 'encrypted:array',
        ];
    }
}
