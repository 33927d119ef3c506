<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\ChangePassword;
use App\Actions\People\OneTimeCodes;
use App\Http\PeoplePage;
use App\Models\Device;
use App\Models\User;
use App\OperationRejected;
use App\People\Devices;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use OpenReel\Core\People\NewPassword;
use OpenReel\Core\People\OneTimeCode;

/** One's own account. Where one works alone there is none. */
final class AccountController
{
    private const TRIES = 5;

    /** The secret that one is just telling one's telephone, in the session. */
    private const NEW_SECRET = 'new_code_secret';

    /** Who is signed in, for the interface. */
    public function me(Request $request): JsonResponse
    {
        /** @var User|null $user */
        $user = $request->user();

        return new JsonResponse(['mode' => config('reel.mode'), 'person' => $user?->only(['name', 'email'])]);
    }

    public function show(): Response
    {
        return $this->page();
    }

    /** Another password ends what is signed in elsewhere. */
    public function password(Request $request, ChangePassword $change): Response
    {
        return $this->withPassword($request, function (User $person) use ($request, $change): string {
            $isRemembered = Devices::mine($request)?->token !== null;
            $change($person, PeoplePage::said($request, 'new'));
            Devices::begin($request, $person, $isRemembered);

            return 'Your password has been changed. You are signed out everywhere else.';
        });
    }

    /** Ends what is signed in on other devices, remembered ones too. */
    public function elsewhere(Request $request): Response
    {
        self::person()->devices()->whereKeyNot(Devices::mine($request)?->id)->delete();

        return $this->page(done: 'You are signed out everywhere else.');
    }

    /** Ends what is signed in on one device. */
    public function endDevice(Request $request, string $device): Response|RedirectResponse
    {
        $one = self::person()->devices()->findOrFail($device);
        if ($one->is(Devices::mine($request))) {
            Devices::end($request);

            return redirect('/sign-in');
        }
        $one->delete();

        return $this->page(done: "{$one->name} is signed out.");
    }

    public function mail(Request $request): Response
    {
        $person = self::person();
        $person->update(['wants_mail' => $request->boolean('wants_mail')]);

        return $this->page(done: $person->wants_mail
            ? 'You will get a mail when something happens, at most one an hour.'
            : 'You will get no mail about what happens in your lessons.');
    }

    /** Shows what the telephone is to know. */
    public function beginCodes(Request $request): Response
    {
        return $this->withPassword($request, function () use ($request): Response {
            $request->session()->put(self::NEW_SECRET, base64_encode(OneTimeCodes::newSecret()));

            return $this->codesPage($request);
        });
    }

    public function turnCodesOn(Request $request, OneTimeCodes $codes): Response
    {
        $secret = base64_decode((string) $request->session()->get(self::NEW_SECRET), true);
        if ($secret === false || $secret === '') {
            return $this->page('That took too long. Start again.', 422);
        }
        if (PeoplePage::isTooMany(['code-on/'.self::person()->id => self::TRIES])) {
            return $this->codesPage($request, PeoplePage::TOO_MANY, 429);
        }
        try {
            $spare = $codes->turnOn(self::person(), $secret, PeoplePage::said($request, 'code'));
        } catch (OperationRejected $no) {
            return $this->codesPage($request, $no->getMessage(), 422);
        }
        $request->session()->forget(self::NEW_SECRET);

        return PeoplePage::of('people.spare-codes', ['codes' => $spare]);
    }

    public function turnCodesOff(Request $request, OneTimeCodes $codes): Response
    {
        return $this->withPassword($request, function (User $person) use ($codes): string {
            $codes->turnOff($person);

            return 'One-time codes are off.';
        });
    }

    /**
     * What is done only by whoever knows the password, however the session was come by.
     *
     * @param  callable(User): (string|Response)  $do  gives what is said then
     */
    private function withPassword(Request $request, callable $do): Response
    {
        PeoplePage::mustBeForPeople();
        $person = self::person();
        if (PeoplePage::isTooMany(["password/{$person->id}" => self::TRIES])) {
            return $this->page(PeoplePage::TOO_MANY, 429);
        }
        if (! Hash::check(PeoplePage::said($request, 'password'), $person->password)) {
            return $this->page('That is not your current password.', 422);
        }
        try {
            $done = $do($person);
        } catch (OperationRejected $no) {
            return $this->page($no->getMessage(), 422);
        }

        return $done instanceof Response ? $done : $this->page(done: $done);
    }

    private function page(?string $problem = null, int $status = 200, ?string $done = null): Response
    {
        $person = self::person();
        $mine = Devices::mine(request());

        return PeoplePage::of('people.account', [
            'problem' => $problem, 'done' => $done, 'user' => $person, 'shortest' => NewPassword::SHORTEST,
            'devices' => Device::living()
                ->where('user_id', $person->id)
                ->latest('used_at')
                ->get()
                ->sortByDesc(fn (Device $one): bool => $one->is($mine)),
            'mine' => $mine?->id,
        ], $status);
    }

    private function codesPage(Request $request, ?string $problem = null, int $status = 200): Response
    {
        $code = new OneTimeCode((string) base64_decode((string) $request->session()->get(self::NEW_SECRET), true));

        return PeoplePage::of('people.codes', [
            'problem' => $problem,
            'typed' => trim(chunk_split($code->typed(), 4, ' ')),
            'address' => $code->address('Open Reel', self::person()->email),
        ], $status);
    }

    private static function person(): User
    {
        PeoplePage::mustBeForPeople();
        $user = Auth::user();

        return $user instanceof User ? $user : abort(401);
    }
}
