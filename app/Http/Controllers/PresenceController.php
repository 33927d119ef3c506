<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PresenceRequest;
use App\Models\Lesson;
use App\People\CurrentUser;
use App\People\Memberships;
use App\People\Presences;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenReel\Core\People\Right;

/**
 * Who is here, and whether anything changed. Asked every other second by every window: a question of three small
 * queries. (Events sent by the server would hold a process of PHP for each window that is open.)
 */
final class PresenceController
{
    public function update(PresenceRequest $request, Lesson $lesson, string $window): JsonResponse
    {
        $who = CurrentUser::asks();
        if ($who !== null) {
            $room = $request->string('room')->value();
            $section = $request->input('section');
            // Only who may record keeps others from it.
            $records = $request->boolean('recording') && Memberships::may(Right::Record, $lesson);
            Presences::note($lesson->id, $window, $who, $room, $section, $records);
        }

        return new JsonResponse([
            'others' => $who === null ? [] : Presences::others($lesson->id, $window, $who),
            'changes' => (int) DB::table('lessons')->where('id', $lesson->id)->value('changes'),
        ]);
    }

    public function leave(Lesson $lesson, string $window): Response
    {
        $who = CurrentUser::asks();
        $who === null || Presences::leave($window, $who);

        return response()->noContent();
    }
}
