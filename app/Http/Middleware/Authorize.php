<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\CurrentUser;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenReel\Core\People\Right;
use Symfony\Component\HttpFoundation\Response;

/**
 * Asks the policy of whatever an address names (App\Policies). A route asks for the right that stands in its group (`right` in
 * routes/api.php); without one, looking asks for *see* and everything else for *write*.
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
            $model instanceof Model && Gate::forUser(CurrentUser::asks())->authorize($right->value, $model);
        }

        return $next($request);
    }
}
