<?php

declare(strict_types=1);

use App\Http\Middleware\Authenticate;
use App\Http\Middleware\Authorize;
use App\Http\Middleware\CheckAnswer;
use App\Http\Middleware\CleanText;
use App\Http\Middleware\ConditionalGet;
use App\Http\Middleware\EnsureLessonNotTrashed;
use App\Http\Middleware\LimitBodies;
use App\Http\Middleware\NameRequest;
use App\Http\Middleware\NoteChange;
use App\Http\Middleware\RefuseOtherSites;
use App\Http\Middleware\SecurityHeaders;
use App\Http\ProblemDetails;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;

// What is written here, recordings, copies, logs, is for this user only.
umask(0o077);

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
        then: function (): void {
            Route::group([], __DIR__.'/../routes/site.php');
            Route::group([], __DIR__.'/../routes/health.php');
            Route::group([], __DIR__.'/../routes/people.php');
            Route::group([], __DIR__.'/../routes/devices.php');
            Route::group([], __DIR__.'/../routes/web.php');
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        // What a proxy says of host, port and path before it is what its clients say: links would lead to them.
        $middleware->trustProxies(headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        $middleware->prepend([NameRequest::class, SecurityHeaders::class, RefuseOtherSites::class, LimitBodies::class]);
        $middleware->append(CleanText::class);
        $middleware->api(
            prepend: [Authenticate::class],
            append: [
                Authorize::class, EnsureLessonNotTrashed::class, NoteChange::class, ConditionalGet::class, CheckAnswer::class,
            ],
        );
        // Script text keeps its line ends and an emptied field is an empty text, not "nothing said".
        $middleware->remove([
            Illuminate\Foundation\Http\Middleware\TrimStrings::class,
            Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull::class,
        ]);
    })
    ->withExceptions(fn (Exceptions $exceptions) => ProblemDetails::register($exceptions))
    ->create();
