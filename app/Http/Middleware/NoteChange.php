<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Actions\Lessons\CountChange;
use App\People\Belongs;
use App\People\CurrentUser;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Counts changes of a lesson, so that others who look at it hear of them (PresenceController), and tells whoever made one its
 * number. What a take is made of while it is recorded is no change: it is one when it is finished.
 */
final class NoteChange
{
    public const HEADER = 'X-Lesson-Changes';

    private const NONE = [
        'api/tracks/{track}/chunks/{number}',
        'api/takes/{take}/events/{number}',
        'api/lessons/{lesson}/here/{window}',
        'api/lessons/{lesson}/room',
    ];

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $route = $request->route();
        if (
            $request->isMethodSafe() || ! CurrentUser::signsIn() || ! $response->isSuccessful()
            || $route === null || in_array($route->uri(), self::NONE, true)
        ) {
            return $response;
        }
        foreach ($route->parameters() as $model) {
            // What was deleted by the request is found by what it hung on.
            $place = $model instanceof Model ? Belongs::to($model) : null;
            $now = $place === null ? null : CountChange::of($place);
            if ($place !== null && $now !== null) {
                $response->headers->set(self::HEADER, "{$place->id} {$now}");
            }
        }

        return $response;
    }
}
