<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Health\Counters;
use App\Health\Doctor;
use App\Health\Finding;
use App\Health\OpenMetrics;
use App\Health\Severity;
use App\Http\Peer;
use App\People\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** For programs that watch over this server. */
final class HealthController
{
    /** Says no more than whether each part works: anybody may ask. */
    public function up(Doctor $doctor): JsonResponse
    {
        $found = $doctor->quickly();
        $isUp = Doctor::worst($found) !== Severity::Bad;

        return new JsonResponse([
            'up' => $isUp,
            'parts' => array_combine(
                array_map(fn (Finding $one): string => $one->about, $found),
                array_map(fn (Finding $one): string => $one->verdict->value, $found),
            ),
        ], $isUp ? 200 : 503, ['Cache-Control' => 'no-store']);
    }

    /** For whoever knows the token; where one works alone without one for this machine, of which a bare proxy is a part, too. */
    public function metrics(Request $request, Counters $counters): Response
    {
        $token = (string) config('reel.metrics_token');
        $knows = $token !== '' && hash_equals($token, (string) $request->bearerToken());
        abort_unless($knows || ($token === '' && ! CurrentUser::signsIn() && Peer::isThisMachine($request)), 404);

        return new Response(OpenMetrics::write($counters->all()), 200, [
            'Content-Type' => OpenMetrics::TYPE, 'Cache-Control' => 'no-store',
        ]);
    }
}
