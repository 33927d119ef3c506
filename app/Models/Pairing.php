<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use OpenReel\Core\People\PairingCode;

/**
 * A code that somebody shows to let a device in, and the device that has typed it and waits for a yes.
 *
 * @property string $id
 * @property string|null $user_id who shows it; null where one works alone
 * @property string $code keyed hash of it
 * @property int $wrong how often something else was typed
 * @property Carbon $made_at
 * @property string|null $name what the device calls itself; null while none has asked
 * @property string|null $network where it asks from
 * @property string|null $token SHA-256 of what it will be known by
 * @property Carbon|null $asked_at
 */
final class Pairing extends Model
{
    use HasUlids;

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['code', 'token'];

    public function code(): PairingCode
    {
        return new PairingCode($this->made_at->getTimestamp(), $this->wrong);
    }

    /** Nobody has typed it yet, and it may still be. */
    public function isOpen(): bool
    {
        return $this->token === null && $this->code()->isOpen(now()->getTimestamp());
    }

    /** A device has typed it, and waits for an answer; not for longer than a code counts. */
    public function isAsked(): bool
    {
        return $this->token !== null && $this->asked_at?->gt(now()->subSeconds(PairingCode::SECONDS)) === true;
    }

    protected function casts(): array
    {
        return ['made_at' => 'datetime', 'asked_at' => 'datetime', 'wrong' => 'integer'];
    }
}
