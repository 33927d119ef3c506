<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\People\Belongs;
use App\People\CurrentUser;
use App\People\Memberships;
use Illuminate\Auth\Access\Response;
use Illuminate\Database\Eloquent\Model;
use OpenReel\Core\People\Right;

/**
 * Everything that hangs on a lesson or course: for whoever has no part in that it is not there, and others do with it what their
 * role allows. Where one works alone everything is allowed.
 */
final class PlacePolicy
{
    public function see(?User $person, Model $model): Response
    {
        return self::allows(Right::See, $person, $model);
    }

    public function comment(?User $person, Model $model): Response
    {
        return self::allows(Right::Comment, $person, $model);
    }

    public function write(?User $person, Model $model): Response
    {
        return self::allows(Right::Write, $person, $model);
    }

    public function record(?User $person, Model $model): Response
    {
        return self::allows(Right::Record, $person, $model);
    }

    public function publish(?User $person, Model $model): Response
    {
        return self::allows(Right::Publish, $person, $model);
    }

    public function own(?User $person, Model $model): Response
    {
        return self::allows(Right::Own, $person, $model);
    }

    private static function allows(Right $right, ?User $person, Model $model): Response
    {
        if (! CurrentUser::signsIn()) {
            return Response::allow();
        }
        $place = Belongs::to($model);
        $permissions = $place === null || $person === null ? null : Memberships::in($place, $person);

        return match (true) {
            $permissions === null, $permissions->isStranger() => Response::denyAsNotFound(),
            $permissions->may($right) => Response::allow(),
            default => Response::deny($right->refusal()),
        };
    }
}
