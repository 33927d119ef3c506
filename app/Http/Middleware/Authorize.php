<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\ArchiveImport;
use App\People\Belongs;
use App\People\CurrentUser;
use App\People\Memberships;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use OpenReel\Core\People\Right;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whatever an address names belongs to a lesson or course: for whoever has no part in that it is not there, and others do with
 * it what their role allows. A route asks for the right that stands in its group (`right` in routes/api.php); without one,
 * looking asks for *see* and everything else for *write*.
 */
final class Authorize
{
    public function handle(Request $request, Closure $next): Response
    {
        if (! CurrentUser::signsIn()) {
            return $next($request);
        }
        $route = $request->route();
        $right = Right::tryFrom((string) ($route?->getAction('right') ?? ''))
            ?? ($request->isMethodSafe() ? Right::See : Right::Write);
        foreach ($route?->parameters() ?? [] as $model) {
            if ($model instanceof ArchiveImport) {
                abort_unless($model->user_id === CurrentUser::asks()?->id, 404);
            } elseif ($model instanceof Model) {
                $place = Belongs::to($model) ?? abort(404);
                $standing = Memberships::in($place);
                abort_if($standing->isStranger(), 404);
                abort_unless($standing->may($right), 403, $right->refusal());
            }
        }

        return $next($request);
    }
}
