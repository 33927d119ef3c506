<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People\GiveRole;
use App\Actions\People\Invite;
use App\Http\Requests\AddMemberRequest;
use App\Http\Requests\RoleRequest;
use App\Http\Resources\MembersResource;
use App\Models\Course;
use App\Models\Invitation;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\OperationRejected;
use App\People\Belongs;
use App\People\CurrentUser;
use App\People\Memberships;
use App\People\OwnAddress;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Right;
use OpenReel\Core\People\Role;

/** Who takes part in a lesson or course. */
final class MemberController
{
    public function ofLesson(Lesson $lesson): JsonResponse
    {
        return $this->answer($lesson);
    }

    public function ofCourse(Course $course): JsonResponse
    {
        return $this->answer($course);
    }

    public function addToLesson(AddMemberRequest $request, Lesson $lesson, GiveRole $give): JsonResponse
    {
        return $this->add($request, $lesson, $give);
    }

    public function addToCourse(AddMemberRequest $request, Course $course, GiveRole $give): JsonResponse
    {
        return $this->add($request, $course, $give);
    }

    public function inviteToLesson(RoleRequest $request, Lesson $lesson, Invite $invite): JsonResponse
    {
        return $this->invite($request, $lesson, $invite);
    }

    public function inviteToCourse(RoleRequest $request, Course $course, Invite $invite): JsonResponse
    {
        return $this->invite($request, $course, $invite);
    }

    /** Another role; *owner* hands it over, and whoever was owner stays one until they leave. */
    public function update(RoleRequest $request, Membership $membership, GiveRole $give): JsonResponse
    {
        $place = self::placeOf($membership);
        $give($place, $membership->user, self::role($request));

        return $this->answer($place);
    }

    /** The owner removes somebody, or somebody leaves. */
    public function destroy(Membership $membership, GiveRole $give): JsonResponse|Response
    {
        $place = self::placeOf($membership);
        $isOwn = $membership->user_id === CurrentUser::asks()?->id;
        abort_unless($isOwn || Memberships::may(Right::Own, $place), 403, Right::Own->refusal());
        $give->takeAway($place, $membership, $isOwn ? AuditAction::Left : AuditAction::Removed);

        return Memberships::in($place)->isStranger() ? response()->noContent() : $this->answer($place);
    }

    public function withdraw(Invitation $invitation): JsonResponse
    {
        $place = Belongs::to($invitation) ?? abort(404);
        $invitation->delete();

        return $this->answer($place);
    }

    private function add(AddMemberRequest $request, Lesson|Course $place, GiveRole $give): JsonResponse
    {
        $role = self::role($request);
        $email = mb_strtolower(trim($request->string('email')->value()));
        $person = User::query()->where('email', $email)->first()
            ?? throw OperationRejected::badInput('Nobody signs in here with that address. Create an invitation link for them instead.');
        if (GiveRole::of($place)->where('user_id', $person->id)->exists()) {
            throw OperationRejected::conflict("{$person->name} takes part already. Give them another role in the list.");
        }
        $give($place, $person, $role);

        return $this->answer($place)->setStatusCode(201);
    }

    private function invite(RoleRequest $request, Lesson|Course $place, Invite $invite): JsonResponse
    {
        $by = CurrentUser::asks() ?? throw OperationRejected::conflict('Nobody signs in here, so nobody can be invited.');
        $token = $invite($place, $by, self::role($request));

        return new JsonResponse(['url' => OwnAddress::of("/invited/{$token}")] + MembersResource::of($place), 201);
    }

    private function answer(Lesson|Course $place): JsonResponse
    {
        return new JsonResponse(MembersResource::of($place));
    }

    private static function role(RoleRequest $request): Role
    {
        return Role::from($request->string('role')->value());
    }

    private static function placeOf(Membership $membership): Lesson|Course
    {
        return Belongs::to($membership) ?? abort(404);
    }
}
