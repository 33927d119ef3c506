<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\AcceptInvitation;
use App\Actions\People\AddPerson;
use App\Actions\People\Invite;
use App\Http\Peer;
use App\Http\PeoplePage;
use App\Models\Course;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\User;
use App\OperationRejected;
use App\People\Belongs;
use App\People\Devices;
use App\People\KnownBrowser;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use OpenReel\Core\People\NewPassword;
use Symfony\Component\HttpFoundation\Response;

/** Where an invitation leads: who has a place here takes part, who has none makes one. */
final class InvitationController
{
    /** So often a link may be tried from an address in a minute. */
    private const TRIES = 20;

    public function show(Request $request, string $token): Response
    {
        PeoplePage::mustBeForPeople();
        if (PeoplePage::isTooMany(['invited/'.Peer::network($request) => self::TRIES])) {
            return PeoplePage::of('people.no-invitation', ['says' => PeoplePage::TOO_MANY], 429);
        }
        $invitation = Invite::find($token);

        return $invitation === null ? self::none() : self::page($token, $invitation);
    }

    public function accept(Request $request, string $token, AcceptInvitation $accept, AddPerson $add): Response
    {
        PeoplePage::mustBeForPeople();
        if (PeoplePage::isTooMany(['invited/'.Peer::network($request) => self::TRIES])) {
            return PeoplePage::of('people.no-invitation', ['says' => PeoplePage::TOO_MANY], 429);
        }
        $invitation = Invite::find($token);
        if ($invitation === null) {
            return self::none();
        }
        $known = Auth::user();
        try {
            [$place, $person] = $accept($invitation, fn (): User => $known instanceof User ? $known : $add(
                PeoplePage::said($request, 'email'), PeoplePage::said($request, 'name'), PeoplePage::said($request, 'password'),
            ));
        } catch (OperationRejected $no) {
            return self::page($token, $invitation, $no->getMessage(), $request);
        }

        if (! $known instanceof User) {
            Devices::begin($request, $person, remember: false);
            KnownBrowser::note($request, $person);
        }

        return redirect($place instanceof Course ? "/courses/{$place->id}" : "/lessons/{$place->id}");
    }

    private static function none(): Response
    {
        return PeoplePage::of('people.no-invitation', [
            'says' => 'This invitation is no longer valid. It may have been used; ask for a new one.',
        ], 404);
    }

    private static function page(string $token, Invitation $invitation, ?string $problem = null, ?Request $said = null): Response
    {
        $place = Belongs::to($invitation);
        if ($place === null || $place->trashed()) {
            return self::none();
        }

        return PeoplePage::of('people.invited', [
            'problem' => $problem,
            'token' => $token,
            'by' => User::query()->find($invitation->invited_by)->name ?? 'Somebody',
            'title' => $place instanceof Lesson ? $place->title : $place->name,
            'what' => $place instanceof Lesson ? 'lesson' : 'course',
            'role' => $invitation->role,
            'user' => Auth::user(),
            'email' => $said === null ? '' : PeoplePage::said($said, 'email'),
            'name' => $said === null ? '' : PeoplePage::said($said, 'name'),
            'shortest' => NewPassword::SHORTEST,
        ], $problem === null ? 200 : 422);
    }
}
