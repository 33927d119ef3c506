<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\Take\TakeState;

/** Who is in a lesson now, and in which of its rooms. A window says so every other second; one that is silent is gone. */
final class Presences
{
    /** A window that did not say that it is there for so long is not. */
    private const GONE_MS = 8000;

    /** While nothing else changes, it is noted this often that a window is there: reading is cheaper than writing. */
    private const NOTED_MS = 3000;

    private const FORGOTTEN_MS = 3_600_000;

    public static function note(string $lesson, string $window, User $who, string $room, ?string $section, bool $recording): void
    {
        $now = self::now();
        $is = ['lesson_id' => $lesson, 'user_id' => $who->id, 'room' => $room, 'section_id' => $section]
            + ['recording' => $recording];
        $was = DB::table('presences')->where('window', $window)->first();
        $same = $was !== null && $was->lesson_id === $lesson && $was->user_id === $who->id && $was->room === $room
            && $was->section_id === $section && (bool) $was->recording === $recording;
        if (! $same || $now - (int) $was->seen_ms > self::NOTED_MS) {
            DB::table('presences')->updateOrInsert(['window' => $window], $is + ['seen_ms' => $now]);
        }
        if ($was === null) {
            DB::table('presences')->where('seen_ms', '<', $now - self::FORGOTTEN_MS)->delete();
        }
    }

    public static function leave(string $window, User $who): void
    {
        DB::table('presences')->where('window', $window)->where('user_id', $who->id)->delete();
    }

    /** @return list<array{name: string, you: bool, room: string, section_id: string|null, recording: bool}> in other windows */
    public static function others(string $lesson, string $window, User $who): array
    {
        return array_values(self::living($lesson)
            ->where('window', '!=', $window)
            ->orderBy('users.name')
            ->orderBy('window')
            ->get(['users.name', 'user_id', 'room', 'section_id', 'recording'])
            ->map(fn (\stdClass $row): array => [
                'name' => $row->name, 'you' => $row->user_id === $who->id, 'room' => $row->room,
                'section_id' => $row->section_id, 'recording' => (bool) $row->recording,
            ])
            ->all());
    }

    /** Who else records this section right now: it is theirs until they stop. */
    public static function records(string $lesson, string $section, User $but): ?string
    {
        $says = self::living($lesson)
            ->where('section_id', $section)
            ->where('recording', true)
            ->where('user_id', '!=', $but->id)
            ->value('users.name');

        // Of two who press at the same moment the second one's window does not know yet.
        return $says ?? DB::table('takes')
            ->join('users', 'users.id', '=', 'takes.user_id')
            ->where('takes.section_id', $section)
            ->where('takes.state', TakeState::Recording)
            ->where('takes.user_id', '!=', $but->id)
            ->where('takes.created_at', '>=', now()->subMilliseconds(self::GONE_MS))
            ->value('users.name');
    }

    private static function living(string $lesson): \Illuminate\Database\Query\Builder
    {
        return DB::table('presences')
            ->join('users', 'users.id', '=', 'presences.user_id')
            ->where('lesson_id', $lesson)
            ->where('seen_ms', '>=', self::now() - self::GONE_MS);
    }

    private static function now(): int
    {
        return now()->getTimestampMs();
    }
}
