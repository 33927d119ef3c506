<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\AnswerSchema;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/**
 * Holds what the API answers against its description (resources/js/api/types/answers.ts, as resources/schemas/answers.json), which
 * the interface's types are. Tests fail where it does not fit; a server in development writes it into its log; others do not look.
 */
final class CheckAnswer
{
    /** So many at both ends of a list are looked at: a lesson has thousands of takes, and they are all alike. */
    private const ENDS = 2;

    /** @throws \UnexpectedValueException in tests */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (
            ! (app()->runningUnitTests() || config('app.debug')) || ! $response instanceof JsonResponse ||
            ! $response->isSuccessful() || $request->route() === null
        ) {
            return $response;
        }
        $call = $request->route()->methods()[0].' '.substr($request->route()->uri(), strlen('api/'));
        $problem = app(AnswerSchema::class)->problem($call, self::ends(json_decode((string) $response->getContent())));
        if ($problem !== null && app()->runningUnitTests()) {
            throw new \UnexpectedValueException("{$call} answers otherwise than it is described: {$problem}");
        }
        if ($problem !== null) {
            Log::warning('An answer is not as it is described.', ['call' => $call, 'problem' => $problem]);
        }

        return $response;
    }

    private static function ends(mixed $value): mixed
    {
        if ($value instanceof \stdClass) {
            return (object) array_map(self::ends(...), (array) $value);
        }
        if (! is_array($value)) {
            return $value;
        }
        $seen = count($value) > 2 * self::ENDS
            ? [...array_slice($value, 0, self::ENDS), ...array_slice($value, -self::ENDS)]
            : $value;

        return array_map(self::ends(...), $seen);
    }
}
