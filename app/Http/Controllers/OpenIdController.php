<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\FindByOpenId;
use App\Http\Peer;
use App\Http\PeoplePage;
use App\OperationRejected;
use App\People\Devices;
use App\People\OpenId;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Signing in by way of a provider of one's organisation, and the way back from it. */
final class OpenIdController
{
    /** What the way back has to match, in the session. */
    private const ASKED = 'openid_asked';

    private const TRIES_OF_ADDRESS = 30;

    public function __construct(private readonly OpenId $provider)
    {
    }

    public function begin(Request $request): Response
    {
        self::mustBeSetUp();
        if (PeoplePage::isTooMany(['openid/'.Peer::network($request) => self::TRIES_OF_ADDRESS])) {
            return self::failed(PeoplePage::TOO_MANY, 429);
        }
        try {
            $asked = $this->provider->begin();
        } catch (OperationRejected $no) {
            return self::failed($no->getMessage(), 502);
        }
        $request->session()->put(self::ASKED, $asked + ['to' => PeoplePage::way($request)]);

        return redirect()->away($asked['url']);
    }

    public function back(Request $request, FindByOpenId $find): Response
    {
        self::mustBeSetUp();
        /** @var array{state: string, nonce: string, verifier: string, to: string}|null $asked */
        $asked = $request->session()->pull(self::ASKED);
        $state = PeoplePage::said($request, 'state');
        if ($asked === null || $state === '' || ! hash_equals($asked['state'], $state)) {
            return self::failed('That took too long, or began in another browser. Try again.', 422);
        }
        try {
            $says = $this->provider->finish(PeoplePage::said($request, 'code'), $asked['verifier'], $asked['nonce']);
            $person = $find($says);
        } catch (OperationRejected $no) {
            return self::failed($no->getMessage(), 422);
        }
        // How somebody is known beyond the password, their provider decides.
        Devices::begin($request, $person, remember: false);

        return redirect($asked['to']);
    }

    private static function mustBeSetUp(): void
    {
        PeoplePage::mustBeForPeople();
        abort_unless(OpenId::isSetUp(), 404);
    }

    private static function failed(string $problem, int $status): Response
    {
        return PeoplePage::signIn('', '/', $problem, $status);
    }
}
