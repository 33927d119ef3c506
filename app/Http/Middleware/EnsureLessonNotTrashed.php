<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Deck;
use App\Models\Lesson;
use App\Models\Section;
use App\Models\Slide;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What hangs on a deleted lesson is out of reach with it, until the lesson is brought back. Takes still arrive. */
final class EnsureLessonNotTrashed
{
    public function handle(Request $request, Closure $next): Response
    {
        foreach ($request->route()?->parameters() ?? [] as $model) {
            $hangs = $model instanceof Section || $model instanceof Slide || $model instanceof Deck;
            abort_if($hangs && Lesson::query()->whereKey($model->lesson_id)->doesntExist(), 404);
        }

        return $next($request);
    }
}
