<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use OpenReel\Core\People\AuditAction;

/**
 * Something that somebody did to a lesson or course. It refers to nothing, so that it stays when that is gone.
 *
 * @property string $id
 * @property string|null $lesson_id
 * @property string|null $course_id
 * @property string|null $user_id null where one works alone, or when the program did it by itself
 * @property string|null $person what they were called then
 * @property AuditAction $deed
 * @property array<string, string|int> $about see AuditAction::says
 * @property Carbon $created_at
 */
final class HistoryEntry extends Model
{
    use HasUlids;

    public const UPDATED_AT = null;

    protected $table = 'history';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['deed' => AuditAction::class, 'about' => 'array'];
    }
}
