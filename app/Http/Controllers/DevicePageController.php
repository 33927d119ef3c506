<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AskToPair;
use App\Http\Peer;
use App\Http\PeoplePage;
use App\Http\Requests\PairRequest;
use App\Models\PairedDevice;
use App\OperationRejected;
use App\People\FollowedRoom;
use App\People\PairedBrowser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenReel\Core\People\DeviceName;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What another device opens: it asks to be let in, and then follows the recording room. */
final class DevicePageController
{
    /** The room is looked at this often, and something is said at least so often: whoever hears nothing asks again. */
    private const LOOK_MICROSECONDS = 40_000;

    private const SAY_SECONDS = 0.5;

    /** Whether the device is still let in. */
    private const CHECK_SECONDS = 2.0;

    /** Then it asks again, and another process may answer. */
    private const LONGEST_SECONDS = 120.0;

    public function show(Request $request): Response
    {
        $refused = $request->has('refused') && self::stateOf($request) === 'none';

        return self::page($request, $refused ? 'The room did not let this device in, or has ended it.' : null);
    }

    public function ask(PairRequest $request, AskToPair $ask): Response|RedirectResponse
    {
        try {
            $name = $request->deviceName(DeviceName::of((string) $request->userAgent()));
            $token = $ask($request->typed(), $name, Peer::network($request));
        } catch (OperationRejected $e) {
            return self::page($request, $e->getMessage(), 422);
        }

        return redirect('/device')->withCookie(PairedBrowser::cookie($request, $token));
    }

    /** Whether it is let in: *none* where nobody knows it, *asked* while nobody has answered, *paired*. */
    public function state(Request $request): JsonResponse
    {
        return new JsonResponse(['state' => self::stateOf($request)], 200, ['Cache-Control' => 'no-store']);
    }

    /** The device does not want to follow any more. */
    public function leave(Request $request): RedirectResponse
    {
        PairedBrowser::device($request)?->delete();
        PairedBrowser::pairing($request)?->delete();

        return redirect('/device');
    }

    /** What the room shows, a row of JSON each time it changes, and an empty row to say that the server is there. */
    public function events(Request $request): StreamedResponse
    {
        $device = PairedBrowser::device($request);
        if ($device === null) {
            abort(403, 'This device is not let in.');
        }

        return new StreamedResponse(fn () => self::follow($device), 200, [
            'Content-Type' => 'application/x-ndjson', 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no',
        ]);
    }

    private static function follow(PairedDevice $device): void
    {
        $said = null;
        $begun = $spoke = $checked = microtime(true);
        while (connection_aborted() === 0 && microtime(true) - $begun < self::LONGEST_SECONDS) {
            $now = microtime(true);
            if ($now - $checked > self::CHECK_SECONDS) {
                $checked = $now;
                if (PairedDevice::query()->whereKey($device->id)->doesntExist()) {
                    self::say('{"ended":true}');

                    return;
                }
            }
            $shows = (string) json_encode(['room' => FollowedRoom::of($device->user_id)], JSON_UNESCAPED_UNICODE);
            if ($shows !== $said || $now - $spoke > self::SAY_SECONDS) {
                self::say($shows === $said ? '' : $shows);
                $said = $shows;
                $spoke = $now;
            }
            usleep(self::LOOK_MICROSECONDS);
        }
    }

    private static function say(string $row): void
    {
        echo $row, "\n";
        ob_get_level() > 0 && ob_flush();
        flush();
    }

    private static function stateOf(Request $request): string
    {
        return match (true) {
            PairedBrowser::device($request) !== null => 'paired',
            PairedBrowser::pairing($request) !== null => 'asked',
            default => 'none',
        };
    }

    private static function page(Request $request, ?string $problem = null, int $status = 200): Response
    {
        $code = $request->query('code');

        return response()->view('device.'.self::stateOf($request), [
            'problem' => $problem,
            'code' => is_string($code) ? $code : '',
            'name' => DeviceName::of((string) $request->userAgent()),
        ], $status)->header('Content-Security-Policy', PeoplePage::POLICY)->header('Cache-Control', 'no-store');
    }
}
